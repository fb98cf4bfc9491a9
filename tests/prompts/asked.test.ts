import type { WallClock } from '@/core/deadlines/wallclock';
import { documentOf } from '@/core/formats/as-document';
import { FIELDS } from '@/core/outside/fields';
import { suggestBrief, UNSURE } from '@/core/outside/suggest';
import { promptSets } from './labelled';

const NOW = '2026-11-23T09:00' as WallClock;
const suggested = promptSets()
  .flatMap((s) => s.prompts)
  .map(({ id, text }) => ({ id, ...suggestBrief(documentOf(text), NOW) }));

it('what is filled in is read surely enough, and what is not is asked and left empty', () => {
  for (const { id, fields, evidence, asked } of suggested) {
    for (const field of FIELDS)
      for (const { confidence } of evidence[field] ?? [])
        expect([id, field, confidence >= UNSURE]).toEqual([id, field, true]);
    for (const { field, value, evidence: from } of asked) {
      expect([id, field, fields[field]]).toEqual([id, field, undefined]);
      expect([id, field, value !== '' && from.confidence < UNSURE && from.quote !== '']).toEqual([
        id,
        field,
        true,
      ]);
    }
  }
});

it('whose a length is, is not asked where there are no replies', () => {
  const { fields, asked } = suggestBrief(documentOf('The last word\n\nSay it in at least 80 words.'), NOW);
  expect([fields['response.words.min'], asked]).toEqual(['80', []]);
});

it('some of it is asked, and most of it is not', () => {
  const asked = suggested.flatMap((s) => s.asked).length;
  const filled = suggested.flatMap((s) => Object.keys(s.evidence)).length;
  process.stdout.write(`Prompts, fields: ${filled} filled in, ${asked} asked\n`);
  expect(asked).toBeGreaterThan(0);
  expect(asked / filled).toBeLessThan(0.1);
});
