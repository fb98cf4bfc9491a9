import fc from 'fast-check';
import { instant } from '../ids';
import { documentFromText } from '../document/compose';
import { plainText } from '../document/flatten';
import { abridged, both, difference } from './difference';
import { isVersionDue, spentVersions } from './history';

const MINUTE = 60_000;
const at = (minutes: number) => instant(minutes * MINUTE);

describe('a version of a draft is kept', () => {
  const due = (before: [number, number], next: [number, number], newest: number | null) =>
    isVersionDue({
      before: { keptAt: at(before[0]), words: before[1] },
      next: { now: at(next[0]), words: next[1] },
      newest: newest === null ? null : at(newest),
    });
  it('after a pause of two minutes, and not between two keys', () => {
    expect(due([10, 80], [10.1, 81], 9)).toBe(false);
    expect(due([10, 80], [12, 81], 9)).toBe(true);
  });
  it('every five minutes while somebody writes on and on', () => {
    expect(due([14.9, 80], [15, 81], 10)).toBe(true);
    expect(due([14.8, 80], [14.9, 81], 10)).toBe(false);
  });
  it('before twenty words go at once', () => {
    expect(due([10, 80], [10.1, 60], 9.9)).toBe(true);
    expect(due([10, 80], [10.1, 61], 9.9)).toBe(false);
  });
  it('never of an empty text', () => expect(due([10, 0], [20, 5], null)).toBe(false));
});

describe('of many versions', () => {
  const versions = Array.from({ length: 200 }, (_, i) => ({
    id: i,
    keptAt: at(i * 10),
    reason: i % 50 === 7 ? ('other-window' as const) : ('as-it-went' as const),
  }));
  const spent = new Set(spentVersions(versions).map((v) => v.id));
  const kept = versions.filter((v) => !spent.has(v.id));
  it('the newest forty stay', () => expect(versions.slice(-40).every((v) => !spent.has(v.id))).toBe(true));
  it('what was set aside on purpose stays', () =>
    expect(versions.filter((v) => v.reason === 'other-window').every((v) => !spent.has(v.id))).toBe(true));
  it('of older ones the last of each hour stays', () => {
    const hours = (list: typeof versions) => new Set(list.map((v) => Math.floor(v.keptAt / (60 * MINUTE))));
    expect(hours(kept)).toEqual(hours(versions));
    expect(kept.length).toBeLessThan(85);
  });
});

describe('two texts compared', () => {
  const text = (words: string, title = '') => ({ title, doc: documentFromText(words) });
  it('say which words stand only in the one and only in the other', () => {
    const { stretches, onlyFirst, onlySecond } = difference(
      text('The old wall held for sixty years.'),
      text('The wall held for seventy long years.'),
    );
    expect(stretches.filter((s) => s.kind !== 'same').map((s) => [s.kind, s.text.trim()])).toEqual([
      ['only-first', 'old'],
      ['only-first', 'sixty'],
      ['only-second', 'seventy'],
      ['only-second', 'long'],
    ]);
    expect([onlyFirst, onlySecond]).toEqual([2, 2]);
  });
  it('lose no word of either, whatever they are', () => {
    const words = fc.array(fc.constantFrom('river', 'wall', 'naïve', '🌊', 'a', 'b,', '“x”'), {
      maxLength: 30,
    });
    fc.assert(
      fc.property(words, words, (a, b) => {
        const { stretches } = difference(text(a.join(' '), 'T'), text(b.join(' '), 'T'));
        const side = (not: string) =>
          stretches
            .filter((s) => s.kind !== not)
            .map((s) => s.text)
            .join('')
            .split(/\s+/u)
            .filter(Boolean);
        expect(side('only-second')).toEqual(['T', ...a]);
        expect(side('only-first')).toEqual(['T', ...b]);
      }),
    );
  });
  it('can be shortened to what differs and the words around it', () => {
    const long = Array.from({ length: 100 }, (_, i) => `w${i}`).join(' ');
    const { stretches } = difference(text(`${long} one ${long}`), text(`${long} two ${long}`));
    const shown = abridged(stretches)
      .map((s) => s.text)
      .join('');
    expect(shown).toContain('one');
    expect(shown).toContain('two');
    expect(shown.length).toBeLessThan(300);
  });
  it('go together into one that has every word of both', () => {
    const joined = plainText(both(text('First words.').doc, text('Second words.').doc));
    expect(joined).toBe('First words.\nSecond words.');
  });
});
