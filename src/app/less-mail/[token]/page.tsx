import { lessMailNowAt, noticesAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { lessOf } from '@/server/notices/addresses';
import { LessMail } from '@/ui/notices/less-mail';
import { queryOf } from '../../_request/query';

export const metadata = { title: 'Less mail' };

/** Out of a mail, signed in or not: looking at it changes nothing. */
export default async function LessMailPage(props: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ done?: string }>;
}) {
  const { token } = await props.params;
  const { done } = await queryOf(props.searchParams);
  const found = lessOf(app().box, token);
  return (
    <LessMail
      kind={found?.kind ?? null}
      done={done === 'yes'}
      action={lessMailNowAt(token)}
      notices={noticesAt()}
    />
  );
}
