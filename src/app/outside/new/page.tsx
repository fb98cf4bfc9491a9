import { intakesAt, newOutsideAt } from '@/contract/addresses';
import { waiting } from '@/server/outside/take-in';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';
import { intakeTroubles } from '../../_request/taking-in';
import { TakeInPage } from './take-in-page';

export const metadata = { title: 'Bring in a prompt' };

type Props = { searchParams: Promise<{ trouble?: string | string[] }> };

export default async function NewOutsidePrompt({ searchParams }: Props) {
  const who = await requireVisitor(newOutsideAt());
  return (
    <Frame visitor={who} here={newOutsideAt()} place="discussions">
      <TakeInPage
        action={intakesAt()}
        title="Bring in a prompt"
        lead="From a course that is not in Pulpit. Pulpit reads what it asks for, you correct what it read, and the prompt becomes a discussion of your own: with deadlines, checks and drafts, seen by nobody else. You post there yourself."
        troubles={intakeTroubles((await queryOf(searchParams)).trouble)}
        waiting={await waiting(who.deps, who.actor)}
        zone={who.actor.timeZone}
      />
    </Frame>
  );
}
