import Link from 'next/link';
import { receiptKeysAt } from '@/contract/addresses';
import { Brand } from '@/ui/frame/brand';
import { VerifyForm } from '@/ui/receipts/verify-form';
import { verifyAction } from './actions';

export const metadata = { title: 'Verify a receipt' };

export default function VerifyPage() {
  return (
    <main id="main" className="mx-auto max-w-[780px] px-4 py-10 sm:px-7">
      <p>
        <Link href="/" aria-label="Pulpit">
          <Brand className="text-[24px] text-pine-ink" />
        </Link>
      </p>
      <h1 className="mt-4 text-[24px]">Verify a receipt</h1>
      <p className="mt-1 mb-4 max-w-[62ch] text-ink-2">
        A receipt proves that a post was shared: by whom, where, when, and with what text. Choose the file you
        were given or paste what is in it. Nothing of it is kept.
      </p>
      <VerifyForm action={verifyAction} />
      <p className="mt-4 max-w-[62ch] text-[13px] text-ink-2">
        Other programs can do it, too: a receipt holds a signature (JWS, Ed25519), and{' '}
        <a className="link" href={receiptKeysAt()}>
          the keys it is made with
        </a>{' '}
        stand open (JWK set).
      </p>
    </main>
  );
}
