import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { z } from 'zod';
import { calendarRows } from '@/core/elsewhere/calendar-rows';
import { termOf } from '@/core/elsewhere/syllabus';
import { isPlan, rowsAgainst } from '@/core/elsewhere/term';
import { documentOf } from '@/core/formats/as-document';
import { startPace } from '../fixtures/pace';
import { scoreTerm, termsIn } from './terms';

/**
 * How much of the plans is read right. At first sight, before anything was learned from them: of the second set 14 of 26 discussions were found and 5 with their week and both
 * deadlines, of the third 15 and 8 of 18, of the fourth 8 and 8 of 11; what is held here is what was learned.
 */
describe('the discussions of a term in its syllabus', () => {
  const all = ['terms', 'terms-new', 'terms-third', 'terms-fourth'].flatMap(termsIn);
  it.each(all)(
    '$name: each is found, with its week, both deadlines and nothing beside',
    ({ text, label }) => {
      const score = scoreTerm(text, label);
      expect(score.wrong).toEqual([]);
      expect(score.beside).toBe(0);
      expect(score.course).toBe(true);
    },
  );
  it('says what is asked in all of them, but for two whose words can be read otherwise', () => {
    expect(all.flatMap(({ text, label }) => scoreTerm(text, label).rules)).toHaveLength(2);
  });
  it('keeps the words that each was read from', () => {
    for (const { text } of all)
      for (const row of termOf(documentOf(text), '2026-09-01T08:00').rows) expect(row.said).not.toBe('');
  });
  it('finds none where there is none', () => {
    for (const text of ['', 'Write 250 words by Thursday.', 'Week 1: read chapter 1\nWeek 2: read chapter 2'])
      expect(termOf(documentOf(text), '2026-09-01T08:00').rows).toEqual([]);
  });
  it('tells a plan from a prompt, also from one that speaks of itself more than once', () => {
    for (const { text } of all)
      expect(isPlan(termOf(documentOf(text), '2026-09-01T08:00').rows, false)).toBe(true);
    const prompts = ['development', 'hard'].flatMap((name) =>
      readFileSync(`tests/prompts/${name}.jsonl`, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => z.object({ text: z.string() }).parse(JSON.parse(line)).text),
    );
    expect(prompts.length).toBeGreaterThan(100);
    for (const prompt of [
      ...prompts,
      'Module 6 Discussion: Whose forest?\n\nWrite a response of 60 words:\n\nYour initial post is due Thursday.',
    ])
      expect(isPlan(termOf(documentOf(prompt), '2026-10-13T16:00').rows, false)).toBe(false);
  });
  it('answers whatever stands there, in time', () => {
    const piece = fc.constantFrom(
      'Week 3',
      'Discussion 2: ',
      'Sept 14–20',
      '14.09.',
      '9/14',
      ' | ',
      '\t',
      '\n\n',
      'replies due',
      '“Wells”',
      'every week',
      '<table><tr><td>',
      '('.repeat(200),
      ' '.repeat(500),
      'x',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
        const took = startPace();
        const { rows } = termOf(documentOf(pieces.join(' ')), '2026-09-01T08:00');
        for (const row of rows)
          expect(
            row.responseDue === null || row.repliesDue === null || row.responseDue <= row.repliesDue,
          ).toBe(true);
        expect(took()).toBeLessThan(2_000);
      }),
      { numRuns: 120 },
    );
  });
});

describe('the discussions in a calendar', () => {
  const at = (title: string, wall: string, about?: string) => ({ title, wall, ...(about ? { about } : {}) });
  it('are those that say so, by their title or by what is said of them; two entries of one are its two deadlines', () => {
    const rows = calendarRows([
      at('Discussion 4: Wells (initial post)', '2026-10-01T23:59'),
      at('Discussion 4: Wells (replies)', '2026-10-04T23:59'),
      at('Homework 4', '2026-10-02T23:59'),
      at('Class discussion in room 4', '2026-10-02T10:00'),
      at('Week 5: Springs', '2026-10-08T23:59', 'Forum. Post, then answer two.'),
      at('Discussion 6 due', '2026-10-15T23:59'),
    ]);
    expect(rows.map((r) => [r.title, r.week, r.responseDue, r.repliesDue])).toEqual([
      ['Discussion 4: Wells', null, '2026-10-01T23:59', '2026-10-04T23:59'],
      ['Week 5: Springs', 5, '2026-10-08T23:59', null],
      ['Discussion 6', null, '2026-10-15T23:59', null],
    ]);
  });
  it('a weekly entry of one name is a discussion each week', () => {
    const weekly = [1, 8, 15, 22].map((d) => at('Discussion', `2026-10-${String(d).padStart(2, '0')}T23:59`));
    expect(calendarRows(weekly).length).toBeGreaterThanOrEqual(2);
  });
});

describe('a plan against what stands', () => {
  const row = (
    title: string,
    week: number | null,
    responseDue: string | null,
    repliesDue: string | null,
  ) => ({
    title,
    week,
    responseDue,
    repliesDue,
    said: title,
    usual: false,
  });
  const stands = (slug: string, title: string, week: number, responseDue: string, repliesDue: string) => ({
    slug,
    title,
    week,
    responseDue,
    repliesDue,
  });
  it('is known by its title and week, moved where a deadline is another, and never stands for two', () => {
    const standing = [stands('a', 'Whose wells?', 3, '2026-10-01T23:59', '2026-10-04T23:59')];
    expect(
      rowsAgainst(
        [
          row('Discussion: Whose wells', 3, '2026-10-01T23:59', null),
          row('Whose wells?', 3, '2026-10-02T23:59', '2026-10-05T23:59'),
        ],
        standing,
      ).map((a) => a.what),
    ).toEqual(['known', 'new']);
    expect(rowsAgainst([row('Whose wells?', 3, '2026-10-02T23:59', null)], standing)[0]).toEqual({
      what: 'moved',
      standing: standing[0],
    });
  });
  it('tells numbers apart', () => {
    const standing = [stands('a', 'Discussion 3', 3, '2026-10-01T23:59', '2026-10-04T23:59')];
    expect(rowsAgainst([row('Discussion 4', null, '2026-10-08T23:59', null)], standing)[0]?.what).toBe('new');
  });
});
