import { intakesAt, newOutsideAt } from '@/contract/addresses';
import { waiting } from '@/server/outside/take-in';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';
import { intakeTroubles } from '../../_request/taking-in';
import { TakeInPage } from './take-in-page';

export const metadata = { title: 'Bring in a discussion' };

type Props = { searchParams: Promise<{ trouble?: string | string[] }> };

export default async function NewOutsidePrompt({ searchParams }: Props) {
  const who = await requireVisitor(newOutsideAt());
  return (
    <Frame visitor={who} here={newOutsideAt()} place="discussions">
      <TakeInPage
        action={intakesAt()}
        title="Bring in a discussion"
        lead="From a course that is not in Pulpit: its prompt alone, or the whole page with the posts of your classmates, saved in your browser or copied. Pulpit reads what is asked and who answered whom, you put right what it read, and it becomes a discussion of your own: with deadlines, checks and drafts, seen by nobody else. You post there yourself. A syllabus, or a calendar, becomes all the discussions of its term at once."
        files="Or a file: the saved page (.html, .mhtml), a mail, a PDF, .docx or a text; the syllabus; or an .ics file with its dates"
        troubles={intakeTroubles((await queryOf(searchParams)).trouble)}
        waiting={await waiting(who.deps, who.actor)}
        zone={who.actor.timeZone}
      />
    </Frame>
  );
}
