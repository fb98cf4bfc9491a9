import { askedChecks } from '../brief/asked-checks';
import type { Brief, CheckId } from '../brief/brief';
import type { Criterion, Rubric } from './rubric';

/** What a rubric is worth where its brief does not say. */
const USUAL_POINTS = 20;

type Proposal = { id: string; title: string; checks: CheckId[]; replies?: true; levels: [string, string][] };

function proposals(brief: Brief): Proposal[] {
  const evidence = askedChecks(brief, ['sources', 'quotes', 'example', 'media']);
  const form = askedChecks(brief, ['words', 'paragraphs', 'sentences', 'title']);
  const { count } = brief.replies;
  const all: (Proposal | null)[] = [
    {
      id: 'question',
      title: brief.parts.length > 1 ? 'Takes up every part of the prompt' : 'Takes up the prompt',
      checks: askedChecks(brief, ['parts', 'concepts']),
      levels: [
        ['All of it', 'Every part is answered, and the answer goes beyond repeating the question.'],
        ['Most of it', 'A part is missing or only touched.'],
        ['Little of it', 'The text speaks beside the question.'],
      ],
    },
    {
      id: 'thought',
      title: 'A thought of one’s own, with reasons',
      checks: askedChecks(brief, ['question']),
      levels: [
        ['Reasoned', 'Says what one thinks and why, and sees what speaks against it.'],
        ['Said', 'Says what one thinks; the reasons stay thin.'],
        ['Retold', 'Repeats what was read.'],
      ],
    },
    evidence.length
      ? {
          id: 'evidence',
          title: 'Evidence',
          checks: evidence,
          levels: [
            ['Used', 'What is cited carries the argument, and can be found.'],
            ['Named', 'Something is cited, and not used for anything.'],
            ['Missing', 'Nothing is cited.'],
          ],
        }
      : null,
    form.length
      ? {
          id: 'form',
          title: 'Length and form',
          checks: form,
          levels: [
            ['As asked', 'Everything the prompt asks of the form is there.'],
            ['Nearly', 'Something small is missing.'],
            ['Not yet', 'Much is missing.'],
          ],
        }
      : null,
    count > 0
      ? {
          id: 'replies',
          title: count === 1 ? 'The reply' : 'The replies',
          checks: [],
          replies: true,
          levels: [
            ['Carry on', 'Each takes up something a classmate wrote and adds to it.'],
            ['Agree', 'They say yes or no, and little more.'],
            ['Missing', 'They are not there, or say nothing.'],
          ],
        }
      : null,
  ];
  return all.filter((p): p is Proposal => p !== null);
}

/**
 * A rubric that goes with what a brief asks: one criterion each for the question, the thought, the evidence, the form and the replies, as
 * far as they are asked for. Its best levels are together worth the brief's points (whole ones), as evenly as may be.
 *
 * @example of a brief that asks for words, one source and two replies: five criteria of 4 points each
 */
export function proposeRubric(brief: Brief): Rubric {
  const found = proposals(brief);
  const whole = Math.max(found.length, Math.round(brief.points ?? USUAL_POINTS));
  const criteria = found.map(({ levels, ...criterion }, i): Criterion => {
    const best = Math.floor(whole / found.length) + (i < whole % found.length ? 1 : 0);
    const share = [best, Math.floor(best / 2), 0];
    return {
      ...criterion,
      levels: levels.map(([name, text], n) => ({ title: name, text, points: share[n] ?? 0 })),
    };
  });
  return { criteria };
}
