import { type DraftInput } from '@/contract/writing';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { parseDocument } from '@/core/document/document';
import { keepDraft } from '@/server/drafts/keep';
import { draftVersion, draftVersions } from '@/server/drafts/versions';
import { namesFor } from '@/server/posts/names';
import { responseRoom } from '@/server/discussions/response-room';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { learnWord, proofreading } from '@/server/proofread/proofreading';
import { addToShelf, shelfFile, shelfOf, takeFromShelf } from '@/server/sources/shelf';
import type { Actor } from '@/server/deps';
import { deps, OPEN, SEALED, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('writing');
  db = world.db;
});
afterAll(() => db.destroy());

const long = (n: number, word = 'word') => Array.from({ length: n }, (_, i) => `${word}${i}`).join(' ');
const RESPONSE = { kind: 'response' as const };

describe('earlier versions of a draft', () => {
  let revision = 0;
  const submission = randomUUID();
  const keep = async (who: Actor, when: string, words: string, over: Partial<DraftInput> = {}) => {
    const kept = await keepDraft(deps(db, when), who, SEALED, {
      kind: 'response',
      parent: null,
      submission,
      title: 'T',
      doc: text(words),
      base: revision,
      conflict: 'tell',
      ...over,
    });
    if (!kept.ok) throw new Error(kept.failure.code);
    revision = kept.value.revision;
  };
  const versions = async (who: Actor) => {
    const found = await draftVersions(deps(db, 'Tue 12:00'), who, SEALED, RESPONSE);
    return found.ok ? found.value : [];
  };

  it('are kept after a pause and before much is taken out, and not at every key', async () => {
    const { imani } = world.people;
    await keep(imani, 'Tue 10:00', long(30));
    await keep(imani, 'Tue 10:00', long(31));
    expect(await versions(imani)).toEqual([]);
    await keep(imani, 'Tue 10:05', long(32));
    await keep(imani, 'Tue 10:05', 'Oh no.');
    expect((await versions(imani)).map((v) => [v.words, v.reason])).toEqual([
      [32, 'as-it-went'],
      [31, 'as-it-went'],
    ]);
  });

  it('come back, and what stood there becomes a version itself', async () => {
    const { imani } = world.people;
    const [newest] = await versions(imani);
    const back = await draftVersion(deps(db, 'Tue 10:06'), imani, SEALED, newest?.id ?? '');
    if (!back.ok) throw new Error('no version');
    await keep(imani, 'Tue 10:06', long(32), { restoring: true });
    expect(back.value.doc).toEqual(text(long(32)));
    expect((await versions(imani))[0]).toMatchObject({ words: 2, reason: 'before-restoring' });
  });

  it('are nobody else’s, staff among them', async () => {
    const { imani, noor, holt, stranger } = world.people;
    const [one] = await versions(imani);
    for (const who of [noor, holt, stranger]) {
      expect(await versions(who)).toEqual([]);
      expect((await draftVersion(deps(db, 'Tue 12:00'), who, SEALED, one?.id ?? '')).ok).toBe(false);
    }
  });
});

describe('notes to self', () => {
  const keep = (who: Actor, body: string, base?: number) =>
    keepNoteToSelf(deps(db, 'Tue 13:00'), who, OPEN, { body, ...(base === undefined ? {} : { base }) });
  const seen = async (who: Actor) => {
    const room = await responseRoom(deps(db, 'Tue 14:00'), who, OPEN);
    return room.ok ? (room.value.note?.body ?? null) : 'no room';
  };
  it('are read by their writer and by nobody else, staff neither', async () => {
    await keep(world.people.imani, 'Ask about the meadow price.', 0);
    expect(await seen(world.people.imani)).toBe('Ask about the meadow price.');
    expect(await seen(world.people.noor)).toBe(null);
    expect(await seen(world.people.holt)).toBe(null);
  });
  it('of two windows never write over each other silently', async () => {
    const { noor } = world.people;
    const first = await keep(noor, 'From the first.', 0);
    expect(first.ok).toBe(true);
    expect(await keep(noor, 'From the second.', 0)).toMatchObject({
      failure: { code: 'other-window', body: 'From the first.' },
    });
    expect(await seen(noor)).toBe('From the first.');
  });
});

describe('whom a text may name', () => {
  it('is offered from the course alone, and behind the seal no post', async () => {
    const { holt } = world.people;
    const names = await namesFor(deps(db, 'Tue 15:00'), holt, SEALED);
    expect(names.ok && names.value.people.map((p) => p.name)).not.toContain('Leila Fenwick');
    expect((await namesFor(deps(db, 'Tue 15:00'), world.people.stranger, SEALED)).ok).toBe(false);
    const sealed = await namesFor(deps(db, 'Tue 15:00'), world.people.imani, SEALED);
    expect(sealed.ok && sealed.value.posts).toEqual([]);
  });
  it('is asked again when a text is kept: a forged mention keeps its words and loses its mark', async () => {
    const { imani, noor, stranger } = world.people;
    const doc = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: '@Noor', marks: [{ type: 'mention', attrs: { person: noor.id } }] },
            { type: 'text', text: ' and ' },
            { type: 'text', text: '@Leila', marks: [{ type: 'mention', attrs: { person: stranger.id } }] },
          ],
        },
      ],
    };
    await keepDraft(deps(db, 'Tue 15:00'), imani, SEALED, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc,
      base: 0,
      conflict: 'replace',
    });
    const room = await responseRoom(deps(db, 'Tue 15:01'), imani, SEALED);
    const kept = JSON.stringify(room.ok && room.value.draft.doc);
    expect(kept).toContain(noor.id);
    expect(kept).toContain('@Leila');
    expect(kept).not.toContain(stranger.id);
  });
});

describe('the shelf of sources', () => {
  const add = (who: Actor, source: Parameters<typeof addToShelf>[3]) =>
    addToShelf(deps(db, 'Tue 10:00'), who, OPEN, source);
  const pasted = (text: string, more: object = {}) => ({
    pasted: text,
    title: '',
    author: '',
    year: '',
    ...more,
  });
  const shelf = async (who: Actor) => {
    const found = await shelfOf(deps(db, 'Tue 10:00'), who, OPEN);
    return found.ok ? found.value.sources : [];
  };
  it('takes BibTeX, CSL-JSON and a DOI with its title, and cites each in three styles', async () => {
    const { imani } = world.people;
    const bibtex =
      '@article{h, author={Holt, Maren and Lind, Teodora}, title={The wall that held}, journal={River Studies}, year={2019}, volume={3}, pages={1--20}}';
    expect(await add(imani, pasted(bibtex))).toMatchObject({ ok: true, value: { added: 1 } });
    const [one] = await shelf(imani);
    expect(one?.cited.apa.inText).toBe('(Holt & Lind, 2019)');
    expect(one?.cited.mla.inText).toBe('(Holt and Lind)');
    expect(one?.cited.chicago.inText).toBe('(Holt and Lind 2019)');
    expect(one?.cited.mla.reference).toContainEqual({
      type: 'text',
      text: 'River Studies',
      marks: [{ type: 'italic' }],
    });
    expect(
      await add(
        imani,
        pasted('[{"type":"book","title":"Meadows","author":[{"family":"Aule","given":"D."}]},{"x":1}]'),
      ),
    ).toMatchObject({ ok: true, value: { added: 1, unreadable: 1 } });
    expect(await add(imani, pasted('10.1234/abc'))).toMatchObject({ failure: { code: 'no-title' } });
    const doi = pasted('10.1234/abc', { title: 'Nets', author: 'Zander, P.', year: '2001' });
    expect((await add(imani, doi)).ok).toBe(true);
    expect((await shelf(imani)).map((s) => s.cited.apa.inText)).toEqual([
      '(Aule, n.d.)',
      '(Holt & Lind, 2019)',
      '(Zander, 2001)',
    ]);
  });
  it.each([
    '',
    'hello',
    '@book{',
    '[{}]',
    'https://127.0.0.1/x.bib',
    '@article{x, title={<script>1</script>}}',
  ])('“%s” breaks nothing and fetches nothing', async (text) => {
    const { jun } = world.people;
    await add(jun, pasted(text));
    for (const { cited } of await shelf(jun)) {
      const doc = { type: 'doc', content: [{ type: 'paragraph', content: cited.apa.reference }] };
      expect(parseDocument(doc).ok).toBe(true);
    }
  });
  it('leaves as files that are taken in again: BibTeX with a broken entry in it, RIS and CSL-JSON', async () => {
    const { rafi, kwame } = world.people;
    const bibtex =
      'My sources.\n@comment{x}\n@book{a, author={van der Meer, Hanna and others}, title={Close the mill bridge}, publisher={Amber Press}, year={2020}}\n@book{broken, title={never closed\n@article{b, author={Price, Jr., Anselm}, title={Noon}, journal={Clocks}, year={2011}, pages={3--9}, doi={10.5555/noon}}\n';
    expect(await add(rafi, pasted(bibtex))).toMatchObject({ ok: true, value: { added: 2, unreadable: 1 } });
    const before = (await shelf(rafi)).map((s) => s.cited.chicago);
    expect(before.map((c) => c.inText)).toEqual(['(Price 2011)', '(van der Meer 2020)']);
    for (const form of ['bib', 'json', 'ris'] as const) {
      const file = await shelfFile(deps(db, 'Tue 10:00'), rafi, OPEN, form);
      if (!file.ok) throw new Error('no file');
      expect(file.value.name).toMatch(new RegExp(`^sources-.*\\.${form}$`, 'u'));
      expect(await add(kwame, pasted(file.value.text))).toMatchObject({ value: { added: 2, unreadable: 0 } });
      const again = await shelf(kwame);
      expect(again.map((s) => s.cited.chicago)).toEqual(before);
      for (const { id } of again) await takeFromShelf(deps(db, 'Tue 10:00'), kwame, id);
    }
    const other = await shelfFile(deps(db, 'Tue 10:00'), world.people.noor, OPEN, 'json');
    expect(other).toMatchObject({ value: { text: '[]\n' } });
  });
  it('is one’s own: nobody else sees it or takes from it', async () => {
    const { imani, noor } = world.people;
    const [one] = await shelf(imani);
    await takeFromShelf(deps(db, 'Tue 10:00'), noor, one?.id ?? '');
    expect(await shelf(imani)).toHaveLength(3);
    expect(await shelf(noor)).toEqual([]);
    await takeFromShelf(deps(db, 'Tue 10:00'), imani, one?.id ?? '');
    expect(await shelf(imani)).toHaveLength(2);
  });
});

describe('words that are right here', () => {
  const known = async (who: Actor) => {
    const found = await proofreading(deps(db, 'Tue 10:00'), who, OPEN);
    return found.ok ? found.value.known : [];
  };
  it('are one’s own, or by staff the course’s', async () => {
    const { imani, noor, holt } = world.people;
    const learn = (who: Actor, word: string, course: boolean) =>
      learnWord(deps(db, 'Tue 10:00'), who, OPEN, { word, course });
    await learn(imani, 'groyne', false);
    await learn(imani, 'Groyne', false);
    await learn(holt, 'thalweg', true);
    expect((await learn(noor, 'wrongish', true)).ok).toBe(false);
    expect(await known(imani)).toEqual(['groyne', 'thalweg']);
    expect(await known(noor)).toEqual(['thalweg']);
  });
});
