import { z } from 'zod';
import { storable } from '../document/document';
import type { Instant, PersonId } from '../ids';

const MOST_CHOICES = 12;

/** When results are seen: from the beginning, by whoever has raised a hand, or when it is over. */
export const RESULTS_SHOWN = ['now', 'voted', 'end'] as const;

export const handsSchema = z.strictObject({
  choices: z.array(z.string().trim().min(1).max(120).transform(storable)).min(2).max(MOST_CHOICES),
  /** More than one may be chosen. */
  several: z.boolean(),
  /** Names stand beside the choices. */
  named: z.boolean(),
  shown: z.enum(RESULTS_SHOWN),
  /** By the course's clock. */
  closes: z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/u),
});
export type HandsAsked = z.infer<typeof handsSchema>;

/** A show of hands as it stands: who raised theirs, in the order in which they did. */
export type Hands = Omit<HandsAsked, 'closes'> & {
  closes: Instant;
  raised: readonly { person: PersonId; name: string; choice: number }[];
};

/** No more precise than so many people, where names are covered. */
const ABOUT = 5;

export type HandsResult = {
  /** How many have raised a hand; by fives where names are covered, and none below that. */
  people: number;
  /** For each choice how many, to the nearest five where names are covered, and who where they are not; null while nothing is shown. */
  choices: { n: number; share: number; who: string[] }[] | null;
  /** Fewer than five have, and names are covered: nothing is drawn. */
  few: boolean;
  own: number[];
  over: boolean;
};

/** How many have raised a hand, as it is told: by fives where names are covered. @example peopleShown(23, false) // 20 */
export const peopleShown = (people: number, named: boolean): number =>
  named ? people : Math.floor(people / ABOUT) * ABOUT;

/**
 * What one sees of a show of hands at a moment: when it is asked for, and never more than its asker promised. Where names are covered, counts
 * move on with every fifth person as long as hands are raised: whoever looks twice never sees what one of them chose.
 *
 * @example eight for one and nine for the other, names covered, and it is over // 10 and 10, of 15 and more
 */
export function handsFor(hands: Hands, reader: PersonId, now: Instant): HandsResult {
  const own = hands.raised.filter((r) => r.person === reader).map((r) => r.choice);
  const people = [...new Set(hands.raised.map((r) => r.person))];
  const over = now >= hands.closes;
  const seen = hands.shown === 'now' || over || (hands.shown === 'voted' && own.length > 0);
  const few = !hands.named && people.length < ABOUT;
  const counted = new Set(over ? people : people.slice(0, peopleShown(people.length, hands.named)));
  const of = hands.choices.map((_, i) => hands.raised.filter((r) => r.choice === i && counted.has(r.person)));
  const shownAs = (n: number) => (hands.named ? n : Math.round(n / ABOUT) * ABOUT);
  const most = Math.max(1, ...of.map((all) => shownAs(all.length)));
  return {
    people: peopleShown(people.length, hands.named),
    choices:
      seen && !few
        ? of.map((all) => ({
            n: shownAs(all.length),
            share: shownAs(all.length) / most,
            who: hands.named ? all.map((r) => r.name).sort((a, b) => a.localeCompare(b)) : [],
          }))
        : null,
    few,
    own,
    over,
  };
}

/** Whether these are choices that there are, and no more than one where one is asked for. @example mayRaise({ …, several: false }, [0, 1]) // false */
export const mayRaise = (
  { choices, several }: Pick<Hands, 'choices' | 'several'>,
  wanted: readonly number[],
) => wanted.every((c) => c >= 0 && c < choices.length) && (several || wanted.length <= 1);
