import { briefSchema } from '@/core/brief/brief';
import { documentFromText } from '@/core/document/compose';
import { isVersionDue } from '@/core/drafts/history';
import { instant, personId } from '@/core/ids';
import { fail } from '@/core/result';
import type { Deps } from '../deps';
import { figuresOf } from './check-text';

test('a long text that could not be checked in time still has its words, so that a version stays before it is cut', async () => {
  const readers = { run: () => Promise.resolve(fail({ code: 'not-read', why: 'time' } as const)) };
  const figures = await figuresOf(
    { readers } as Pick<Deps, 'readers'> as Deps,
    { id: personId('imani') },
    {
      brief: briefSchema.parse({ response: { words: { min: 50 } }, replies: { count: 0 } }),
      kind: 'response',
      title: '',
      doc: documentFromText('The wall held. '.repeat(4_000)),
      answered: null,
    },
  );
  expect(figures.words).toBe(12_000);
  expect(figures.checks.every((c) => !c.met)).toBe(true);
  const now = instant(1_000);
  const before = { keptAt: now, words: figures.words };
  expect(isVersionDue({ before, next: { now, words: 0 }, newest: null })).toBe(true);
});
