import { words } from '../../text/words';
import type { CheckKind, Draft } from '../check-kind';
import type { Evidence } from '../types';

/** So many words from the beginning a name may stand to be a greeting. */
const REACH = 8;

const firstName = (name: string) =>
  name.split(/\s+/u).filter((w) => !/^(?:dr|prof|mr|mrs|ms|mx)\.?$/iu.test(w))[0] ?? name;

function greetingOf(all: Draft['all'], name: string): Evidence[] {
  const wanted = firstName(name).toLowerCase();
  const opening = all.filter((p) => p.role === 'own' && p.ownWords.length > 0).slice(0, 1);
  return opening.flatMap((p) =>
    words(p.line.text)
      .slice(0, REACH)
      .filter((w) => w.text.toLowerCase().replace(/['’]s$/u, '') === wanted)
      .map((w) => ({ from: p.line.pos + w.start, to: p.line.pos + w.end, note: name })),
  );
}

/** Whether a reply speaks to its classmate by name. */
export const greeting: CheckKind = {
  id: 'greeting',
  find: ({ input, all }) => {
    if (input.kind !== 'reply' || !input.brief.replies.greetByName) return null;
    const found = greetingOf(all, input.answered.name);
    return {
      have: found.length > 0 ? 1 : 0,
      need: { min: 1 },
      evidence: found,
      missing: found.length ? null : { code: 'no-greeting', name: firstName(input.answered.name) },
    };
  },
};
