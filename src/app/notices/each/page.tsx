import { eachDiscussionAt } from '@/contract/addresses';
import { noticesPage } from '@/server/notices/page';
import { EachDiscussion } from '@/ui/notices/each';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';

export const metadata = { title: 'Notices, discussion by discussion' };

export default async function EachRoute(props: { searchParams: Promise<{ answer?: string }> }) {
  const here = eachDiscussionAt();
  const who = await requireVisitor(here);
  const { answer } = await queryOf(props.searchParams);
  const { heard, rules } = await noticesPage(who.deps, who.actor, { key: null });
  return (
    <Frame visitor={who} here={here} place="notices">
      <EachDiscussion
        heard={heard}
        rule={rules.ways.post}
        answer={answer === 'kept' ? { good: true, text: 'Kept.' } : null}
      />
    </Frame>
  );
}
