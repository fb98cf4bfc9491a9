import { noticesAt } from '@/contract/addresses';
import { noticesPage } from '@/server/notices/page';
import { pushKey } from '@/server/notices/push-keys';
import { Notices } from '@/ui/notices/notices';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor, withBox } from '../_request/session';

export const metadata = { title: 'Notices' };

const ANSWERS: Record<string, { good: boolean; text: string }> = {
  kept: { good: true, text: 'Kept: notices reach you like this from now on.' },
  malformed: {
    good: false,
    text: 'Nothing was changed: a time is written as 08:00, at most six of them, and one day of the week is not quiet.',
  },
  mail: { good: true, text: 'Mail is sent to your address again.' },
};

export default async function NoticesRoute(props: { searchParams: Promise<{ answer?: string }> }) {
  const here = noticesAt();
  const who = await requireVisitor(here);
  const { answer } = await queryOf(props.searchParams);
  const page = await noticesPage(who.deps, who.actor, { key: await pushKey(withBox(who.deps)) });
  return (
    <Frame visitor={who} here={here} place="notices">
      <Notices page={page} answer={ANSWERS[answer ?? ''] ?? null} />
    </Frame>
  );
}
