import { receiptAt, verifyAt } from '@/contract/addresses';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { postId } from '@/core/ids';
import { issueReceipt } from '@/server/receipts/issue';
import { ReceiptSheet } from '@/ui/receipts/receipt-sheet';
import { Frame } from '../../_request/frame';
import { originOf } from '../../_request/origin';
import { queryOf } from '../../_request/query';
import { requireVisitor, withBox } from '../../_request/session';

type Props = {
  params: Promise<{ post: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export const metadata = { title: 'Receipt' };

export default async function ReceiptPage({ params, searchParams }: Props) {
  const { post } = await params;
  const { version = '' } = await queryOf(searchParams);
  const here = receiptAt(post);
  const who = await requireVisitor(here);
  const number = /^\d{1,15}$/u.test(post) ? Number(post) : 0;
  const issued = await issueReceipt(
    withBox(who.deps),
    who.actor,
    postId(number),
    /^\d{1,6}$/u.test(version) ? Number(version) : null,
  );
  if (!issued.ok) notFound();
  const { file, zone } = issued.value;
  return (
    <Frame visitor={who} here={here} place="discussions" zone={zone}>
      <main id="main" className="px-4 py-6 sm:px-7">
        <ReceiptSheet
          receipt={file.receipt}
          content={file.content}
          signature={file.jws.signature}
          zone={zone}
          verifyAt={originOf(await headers()) + verifyAt()}
        />
      </main>
    </Frame>
  );
}
