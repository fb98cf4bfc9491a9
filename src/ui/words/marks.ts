import type { Verdict } from '@/core/counting/types';
import type { Cause } from '@/core/marks/losses';
import type { Late, Mark, Scheme, Score, Way } from '@/core/marks/mark';
import type { Ground } from '@/core/marks/propose';
import type { TableProblem } from '@/core/marks/read-table';
import type { MarkState } from '@/contract/marks';
import type { SecondStage } from '@/core/marks/second';
import type { SharedBy } from '@/core/marks/shares';
import { checkName, unmetNames } from './checks';
import { list, plural } from './plural';

/** "17 of 20", "done", "to be done again", "read" */
export function scoreText(score: Pick<Score, 'points' | 'of'>, verdict: Mark['verdict']): string {
  if (score.points !== null && score.of !== null) return `${score.points} of ${score.of}`;
  return verdict === null ? 'read' : VERDICTS[verdict];
}
export const VERDICTS = { done: 'done', again: 'do again' } as const;

export const WAY_NAMES: Record<Way, string> = {
  rubric: 'by its rubric',
  points: 'by a number of points',
  verdict: 'done, or do again',
  remarks: 'read and remarked on, without a mark',
};

export const STATE_NAMES: Record<MarkState, string> = {
  unwritten: 'not marked',
  begun: 'begun',
  written: 'written, not released',
  released: 'released',
  changed: 'changed since it was released',
  held: 'read by you a second time first',
};

export const SECOND_NAMES: Record<SecondStage, string> = {
  asked: 'waits until both are written in full',
  differs: 'differs, and the mark waits until one says which shall stand',
  agrees: 'agrees',
  settled: 'differs, and the mark was let stand',
};

export const SHARED_BY_NAMES: Record<SharedBy, string> = {
  letter: 'by the alphabet',
  group: 'by groups',
  chance: 'at random',
};

const what = ({ kind, n }: Late['for']) => (kind === 'response' ? 'the response' : `reply ${n}`);

/** What the late rule takes, for a line under a mark. */
export const lateTaken = (late: Late, taken: number): string =>
  `Late: ${what(late.for)} came late, and the late rule takes ${late.percent} % of the full mark, ${plural(taken, 'point')} here`;

/** What the ledger says of a criterion. */
export function groundText(ground: Ground): string {
  switch (ground.code) {
    case 'nothing-shared':
      return 'No response was shared';
    case 'checks-met':
      return `The checks say: ${list(ground.checks.map((c) => checkName(c).toLowerCase()))} as asked`;
    case 'checks-unmet':
      return `The checks say: not met are ${unmetNames(ground.checks)}`;
    case 'replies':
      return `The ledger says: ${ground.counted} of ${plural(ground.of, 'reply counts', 'replies count')}`;
  }
}

const REASONS: Record<Verdict['reason'], string> = {
  counted: '',
  late: '',
  short: 'short of what is asked',
  withdrawn: 'withdrawn',
  hidden: 'hidden by staff',
  private: 'only the two of them read it',
  'to-self': 'answers a post of their own',
  'to-staff': 'answers staff',
  'same-side': 'same side',
  'not-asked': 'no response is asked for',
  'further-response': 'a further response',
  'before-response': 'came before their own response',
  'same-classmate': 'same classmate',
  'same-day': 'same day',
  'enough-already': 'more than is asked for',
  'too-late': 'too late',
};

/** What somebody else's post counts as, or why it does not. */
export function countedText(v: Verdict): string {
  if (!v.counted) return `not counted: ${REASONS[v.reason]}`;
  const as = v.kind === 'response' ? 'counts' : `counts as ${v.n}`;
  return v.reason === 'late' ? `${as}, late${v.penaltyPercent ? `: ${v.penaltyPercent} % off` : ''}` : as;
}

const ORDINALS = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
];

/** What points were lost by, as the end of "What cost you most is …". */
export function causeText(cause: Cause): string {
  switch (cause.code) {
    case 'response':
      return 'responses that were not shared';
    case 'reply':
      return `the ${ORDINALS[cause.n - 1] ?? `${cause.n}th`} reply`;
    case 'late':
      return 'coming late';
    case 'check':
      return CHECK_CAUSES[cause.check] ?? checkName(cause.check).toLowerCase();
    case 'criterion':
      return `“${cause.title}”`;
    case 'judged':
      return 'what was judged by eye';
  }
}
const CHECK_CAUSES: Partial<Record<Extract<Cause, { code: 'check' }>['check'], string>> = {
  words: 'the length',
  parts: 'questions left without an answer',
  concepts: 'course ideas that are not there',
  sources: 'sources that are not there',
  quotes: 'quotations that are not there',
  media: 'what was to be attached',
};

/** What a discussion is worth, for the head of its mark. */
export const worthText = (scheme: Scheme): string =>
  scheme.by === 'rubric' || scheme.by === 'points' ? plural(scheme.of, 'point') : WAY_NAMES[scheme.by];

/** Why a line of a table of marks cannot be used, after the number of its row. */
export function tableProblemText(p: TableProblem): string {
  switch (p.code) {
    case 'nobody':
      return 'names nobody.';
    case 'doubled':
      return `names the same student as row ${p.line}.`;
    case 'unknown':
      return 'names nobody of this class.';
    case 'several':
      return 'names somebody of whom there is more than one: give the mail address or the id.';
    case 'held':
      return 'names somebody whose part you read a second time: write that first.';
    case 'bad-value':
      return `says “${p.value}” in “${p.column}”, which cannot be given there.`;
    case 'other-sum':
      return `says ${plural(p.says, 'point')} in all, and what stands in the line comes to ${p.comesTo}.`;
  }
}
