import fc from 'fast-check';
import { cartridgeEntries, type Cartridge, type CartridgeItem } from '@/core/formats/cartridge';
import { readCartridge } from '@/server/formats/read-cartridge';
import { zipped } from '@/server/formats/zip';
import { cartridgeFaults } from '../fixtures/cartridge-structure';

/** Letters that XML can hold, among them those that it means something by. */
const words = fc
  .string({
    unit: fc.constantFrom('a', 'é', '语', '&', '<', '>', '"', "'", ' ', '1', '😀'),
    minLength: 1,
    maxLength: 20,
  })
  .map((s) => s.trim().replace(/\s+/gu, ' '))
  .filter(Boolean);
const item: fc.Arbitrary<CartridgeItem> = fc.oneof(
  fc.record({
    kind: fc.constant('topic' as const),
    title: words,
    html: words.map((w) => `<p>${w.replace(/[<>&]/gu, '')}</p>`),
  }),
  fc.record({
    kind: fc.constant('page' as const),
    title: words,
    html: words.map((w) => `<p>${w.replace(/[<>&]/gu, '')}</p>`),
  }),
  fc.record({
    kind: fc.constant('file' as const),
    title: words,
    name: fc.constantFrom('map.pdf', 'gauge.csv', 'Ü b.txt', '../../etc/passwd', '語.bin'),
    bytes: fc.uint8Array({ maxLength: 40 }),
  }),
);
const cartridge: fc.Arbitrary<Cartridge> = fc.record({
  title: words,
  sections: fc.array(fc.record({ title: words, items: fc.array(item, { maxLength: 4 }) }), { maxLength: 5 }),
});

describe('a course as a Common Cartridge', () => {
  it('is one by the standard’s structure, whatever is in it', () =>
    fc.assert(
      fc.property(cartridge, (c) => {
        expect(cartridgeFaults(cartridgeEntries(c))).toEqual([]);
      }),
      { numRuns: 150 },
    ));

  it('comes back as it went out: the same sections, titles, texts and files, in the same order', () =>
    fc.assert(
      fc.property(cartridge, (c) => {
        const read = readCartridge(zipped(cartridgeEntries(c), true));
        if (!read.ok) throw new Error(read.failure.code);
        const back = read.value.cartridge;
        expect(back.title).toBe(c.title);
        expect(read.value.left).toEqual([]);
        expect(read.value.attributes).toEqual([]);
        expect(
          back.sections.map((s) => ({
            title: s.title,
            items: s.items.map((i) => (i.kind === 'file' ? { ...i, name: '', bytes: [...i.bytes] } : i)),
          })),
        ).toEqual(
          c.sections.map((s) => ({
            title: s.title,
            items: s.items.map((i) => (i.kind === 'file' ? { ...i, name: '', bytes: [...i.bytes] } : i)),
          })),
        );
      }),
      { numRuns: 150 },
    ));

  it('finds what is wrong: the check of the structure can fail', () => {
    const entries = cartridgeEntries({
      title: 'x',
      sections: [{ title: 's', items: [{ kind: 'topic', title: 't', html: '' }] }],
    });
    const broken = (from: string | RegExp, to: string) => {
      const manifest = new TextDecoder().decode(entries.get('imsmanifest.xml')).replace(from, to);
      return cartridgeFaults(new Map([...entries, ['imsmanifest.xml', new TextEncoder().encode(manifest)]]));
    };
    expect(broken('1.3.0', '1.1.0')).toContain('another version');
    expect(broken(/<title>s<\/title>/u, '')).toContain('item holds 0 title');
    expect(broken('identifierref="r1-1"', 'identifierref="r9"')).toContain('nothing is called r9');
    expect(broken('imsdt_xmlv1p3', 'quiz')).toContain('quiz is no type of it');
    expect(broken('<resource ', '<resource mine="1" ')).toContain('resource may have no mine');
  });
});
