import { documentOf } from '@/core/formats/as-document';
import { readDocument } from '@/core/prompts/on-document';
import { readPrompt } from '@/core/prompts/read-prompt';
import { startPace } from '../fixtures/pace';
import { developmentPrompts, ownPrompts } from './labelled';
import { scoreOf } from './score';

/** So many readings are long enough to be measured. */
const ENOUGH = 200;

const SETS = [
  { name: 'the development set', prompts: developmentPrompts(), atLeast: 25, floor: 0.99 },
  { name: 'our own prompts', prompts: ownPrompts(), atLeast: 186, floor: 0.985 },
];

describe.each(SETS)('reading $name', ({ name, prompts, atLeast, floor }) => {
  it('is as good as it was', () => {
    expect(prompts.length).toBeGreaterThanOrEqual(atLeast);
    const { f1, right, wrong, missed } = scoreOf(prompts);
    process.stdout.write(
      `Prompts, ${name}: F1 ${f1.toFixed(3)} (${right} right, ${wrong.length} wrong, ${missed.length} missed)\n`,
    );
    // What went wrong is shown where the score fell.
    expect(f1 >= floor ? [] : { wrong, missed }).toEqual([]);
  });

  it('rests every fact on a stretch of its text', () => {
    for (const { id, text } of prompts) {
      for (const f of readPrompt(text).facts) {
        const at = `${id} ${f.fact}`;
        expect([at, f.start >= 0 && f.end > f.start && f.end <= text.length]).toEqual([at, true]);
        expect([at, f.confidence > 0 && f.confidence <= 1]).toEqual([at, true]);
      }
    }
  });

  it('quotes the number it read in its evidence', () => {
    for (const { id, text } of prompts) {
      for (const f of readPrompt(text).facts) {
        if (typeof f.value !== 'number' || !/\.(?:words|sentences)\./u.test(f.fact) || f.value < 21) continue;
        const said = text.slice(f.start, f.end);
        const at = `${id} ${f.fact}=${f.value} in “${said}”`;
        expect([
          at,
          /hundred|thousand|ty\b/iu.test(said) || said.replaceAll(',', '').includes(String(f.value)),
        ]).toEqual([at, true]);
      }
    }
  });

  it('is the same when the text has become a document, as a pasted prompt does', () => {
    const said = (facts: { fact: string; value: unknown }[]) =>
      facts.map((f) => `${f.fact}=${String(f.value)}`).sort();
    for (const { id, text } of prompts) {
      const { facts, contradictory } = readPrompt(text);
      const onDocument = readDocument(documentOf(text)).facts;
      expect([id, said(onDocument)]).toEqual([id, said([...facts, ...contradictory])]);
    }
  });

  it('takes less than 20 ms a prompt', () => {
    const rounds = Math.ceil(ENOUGH / prompts.length);
    const took = startPace();
    for (let i = 0; i < rounds; i += 1) for (const { text } of prompts) readPrompt(text);
    const each = took() / (rounds * prompts.length);
    process.stdout.write(`Prompts, ${name}: ${each.toFixed(1)} ms a prompt\n`);
    expect(each).toBeLessThan(20);
  });
});
