import { deskAgainAt, deskHoursAgainAt } from '@/contract/addresses';
import { seeOther } from './write';

/** An address holds so many people; more are done in parts. */
const MOST_IN_ADDRESS = 100;

/** Leads to the page that asks once more what is about to be done for single students; null for what has none, or for too many of them. */
export function askedAgain(
  course: string,
  slug: string,
  act: { act: string; people?: readonly string[]; responseDue?: string; repliesDue?: string; side?: string },
): Response | null {
  const { people } = act;
  if (!people || people.length > MOST_IN_ADDRESS) return null;
  return seeOther(
    deskAgainAt(course, slug, {
      act: act.act,
      people: people.join(' '),
      responseDue: act.responseDue,
      repliesDue: act.repliesDue,
      side: act.side,
    }),
  );
}

/** The same of other hours all term. */
export const hoursAskedAgain = (
  course: string,
  act: { act: string; people: readonly string[]; hours?: number },
): Response | null =>
  act.people.length > MOST_IN_ADDRESS
    ? null
    : seeOther(
        deskHoursAgainAt(course, {
          act: act.act,
          people: act.people.join(' '),
          hours: act.hours?.toString(),
        }),
      );
