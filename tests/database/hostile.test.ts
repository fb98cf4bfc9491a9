import { draftInputSchema, changeSchema, shareInputSchema, noteToSelfSchema } from '@/contract/writing';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { defaultTreeAdapter, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { documentOf } from '@/core/formats/as-document';
import { documentFromHtml } from '@/core/formats/from-html';
import { htmlOf } from '@/core/formats/to-html';
import { postId } from '@/core/ids';
import { parseDocument } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import { changeMaterial, materialPage, type Which } from '@/server/courses/material';
import { keepDraft } from '@/server/drafts/keep';
import { changePost } from '@/server/posts/change';
import { composeFromForm } from '@/server/posts/compose-form';
import { share } from '@/server/posts/share';
import { isPublic } from '@/server/links/ask';
import { checkLink } from '@/server/links/check';
import { verifyReceipt } from '@/server/receipts/verify';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { typeset } from '@/ui/math/typeset';
import { DocumentView } from '@/ui/document/document-view';
import { CORPUS, FORMULAS, PRIVATE_LINKS, type Hostile } from '../fixtures/hostile';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';
import { startPace } from '../fixtures/pace';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let post: number;
beforeAll(async () => {
  world = await smallCourse('hostile');
  db = world.db;
  ({ post } = await shared(db, world.people.noor, OPEN, 'Tue 10:00', shareInput('My own first text.')));
});
afterAll(() => db.destroy());

const RUNS = new Set(
  'script style iframe object embed svg base meta link form input button math img'.split(' '),
);
type Node = DefaultTreeAdapterTypes.Node;

/** What could run, load or lead astray in a piece of markup. KaTeX's own MathML, images and styles are looked at apart. */
function dangers(html: string, allowed: ReadonlySet<string> = new Set()): string[] {
  const found: string[] = [];
  const walk = (node: Node) => {
    if (defaultTreeAdapter.isElementNode(node)) {
      if (RUNS.has(node.tagName) && !allowed.has(node.tagName)) found.push(`<${node.tagName}>`);
      for (const { name, value } of node.attrs) {
        if (/^on|^srcdoc$|^formaction$/u.test(name)) found.push(name);
        if (
          /^(?:href|src|xlink:href|action)$/u.test(name) &&
          !/^(?:https?:\/\/|mailto:|conversation\?post=\d+$)/iu.test(value)
        )
          found.push(`${name}=${value}`);
      }
    }
    if ('childNodes' in node) node.childNodes.forEach(walk);
  };
  walk(parseFragment(html));
  return found;
}

/** Whatever may be stored is safe wherever it is shown or taken out. */
function expectHarmless(doc: Doc) {
  expect(dangers(renderToStaticMarkup(createElement(DocumentView, { doc })))).toEqual([]);
  expect(dangers(htmlOf(doc))).toEqual([]);
}

const keptOf = async (who: string) =>
  (await db('drafts').where({ author_id: who, edits: null }).first('doc'))?.doc as Doc | undefined;

it('there are more than three hundred hostile inputs', () =>
  expect(CORPUS.length).toBeGreaterThanOrEqual(300));

describe.each(CORPUS.map((h) => [h.name, h] as [string, Hostile]))('%s', (_name, { doc, title, said }) => {
  const base = { kind: 'response' as const, parent: null, title };

  it('sent as the editor’s JSON is kept harmless or refused by name, as draft, post and change', async () => {
    const { imani, jun, noor } = world.people;
    const draft = draftInputSchema.safeParse({
      ...base,
      submission: randomUUID(),
      doc,
      base: 0,
      conflict: 'replace',
    });
    if (draft.success) {
      const kept = await keepDraft(deps(db, 'Tue 11:00'), imani, OPEN, draft.data);
      if (!kept.ok) expect(['document-malformed', 'document-too-large']).toContain(kept.failure.code);
      const stands = await keptOf(imani.id);
      if (kept.ok && stands) expectHarmless(stands);
    }
    const input = shareInputSchema.safeParse({ ...base, submission: randomUUID(), doc });
    if (input.success) {
      const sent = await share(deps(db, 'Tue 11:00'), jun, OPEN, input.data);
      if (!sent.ok)
        expect(['document-malformed', 'document-too-large', 'nothing-written']).toContain(sent.failure.code);
    }
    const change = changeSchema.safeParse({ title, doc });
    if (change.success) {
      const changed = await changePost(deps(db, 'Tue 11:00'), noor, OPEN, postId(post), change.data);
      if (!changed.ok)
        expect(['document-malformed', 'document-too-large', 'nothing-written']).toContain(
          changed.failure.code,
        );
    }
  });

  it('put into a prompt by somebody who keeps the course it is kept harmless or refused by name', async () => {
    const { holt } = world.people;
    const prompt: Which = { of: 'prompt', slug: OPEN };
    const page = await materialPage(deps(db, 'Tue 11:00'), holt, prompt);
    if (!page.ok) throw new Error('no desk');
    const put = await changeMaterial(deps(db, 'Tue 11:00'), holt, prompt, { doc, stamp: page.value.stamp });
    if (!put.ok)
      expect(['document-malformed', 'document-too-large', 'nothing-written']).toContain(put.failure.code);
    const after = await materialPage(deps(db, 'Tue 11:00'), holt, prompt);
    if (after.ok) expectHarmless(after.value.doc);
  });

  it('typed or pasted as text is a document that may be stored, and harmless', async () => {
    const { rafi } = world.people;
    const form = await composeFromForm(deps(db, 'Tue 11:00'), rafi, OPEN, {
      ...base,
      submission: randomUUID(),
      base: 0,
      text: [said],
    });
    if (!form.ok) throw new Error('the form was refused');
    for (const made of [form.value.doc, documentFromHtml(said), documentOf(said)]) {
      const read = parseDocument(made);
      if (read.ok) expectHarmless(read.value);
      else expect(read.failure.code).toBe('document-too-large');
    }
    const note = noteToSelfSchema.safeParse({ body: said });
    if (note.success)
      expect((await keepNoteToSelf(deps(db, 'Tue 11:00'), rafi, OPEN, note.data)).ok).toBe(true);
    expect((await verifyReceipt(db, said)).troubles).not.toEqual([]);
  });
});

describe('formulas', () => {
  it.each(FORMULAS)(
    '%s is set without anything that runs, loads or leads away, and in good time',
    (latex) => {
      const took = startPace();
      for (const ownLine of [true, false]) {
        const html = typeset(latex.slice(0, 1_000), ownLine);
        if (html === null) continue;
        // KaTeX writes MathML and draws roots as SVG; neither carries anything of the writer's but text.
        expect(dangers(html, new Set(['math', 'svg']))).toEqual([]);
        expect(html.length).toBeLessThan(1_000_000);
      }
      expect(took()).toBeLessThan(5_000);
    },
  );
});

describe('links', () => {
  it.each(PRIVATE_LINKS)('%s is never asked for', async (link) => {
    expect(await checkLink(link)).toEqual({ state: 'private' });
  });
  it('a name that leads into a private network is not followed, whatever else it leads to', async () => {
    const resolve = (addresses: string[]) => ({
      resolve: () => Promise.resolve(addresses),
      mayAsk: isPublic,
    });
    expect(await checkLink('http://evil.example/', resolve(['10.0.0.7']))).toEqual({ state: 'private' });
    expect(await checkLink('http://evil.example/', resolve(['93.184.216.34', '127.0.0.1']))).toEqual({
      state: 'private',
    });
    expect(await checkLink('http://evil.example/', resolve([]))).toEqual({ state: 'private' });
  });
});

it('after all that the posts are there and the course still works', async () => {
  const { kwame } = world.people;
  expect((await shared(db, kwame, OPEN, 'Tue 12:00', shareInput('All is well.'))).post).toBeGreaterThan(post);
  expect(await db('posts').where({ author_id: world.people.noor.id }).count('* as n')).toEqual([{ n: 1 }]);
});
