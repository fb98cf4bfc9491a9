import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { NewSource, Shelf, ShelfForm, SourceFailure } from '@/contract/sources';
import { fail, ok, type Result } from '@/core/result';
import { nameOf, pastedSource, sourceItemSchema, type SourceItem } from '@/core/sources/item';
import { recordsOfRis, risOf } from '@/core/sources/ris';
import { readingsOf } from '@/db/queries/courses';
import { askTogether } from '@/db/ask';
import { addSources, deleteSource, sourcesOf } from '@/db/queries/sources';
import { enterRoom, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import type { NotRead } from '@/contract/not-read';
import { readFor } from '../readers/readers';

const MOST_SOURCES = 200;

export async function shelfOf(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<Shelf, NotFound | NotRead>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { course, week } = door.value.record;
  const [sources, { readings }] = await Promise.all([
    sourcesOf(deps.db, actor.id, course.id),
    askTogether(deps.db, { readings: readingsOf(deps.db, course.id, actor.id) }),
  ]);
  const titles = new Set(sources.map((s) => s.item.title));
  const cited = await readFor(deps, actor, 'cited', { items: sources.map((s) => s.item) });
  if (!cited.ok) return cited;
  return ok({
    sources: sources
      .flatMap((s, i) => {
        const as = cited.value[i];
        return as ? [{ id: s.id, title: s.item.title, cited: as }] : [];
      })
      // As a reference list stands: by the alphabet.
      .sort((a, b) => a.cited.apa.inText.localeCompare(b.cited.apa.inText, 'en')),
    readings: readings
      .filter((r) => !titles.has(r.title))
      // What is read in this week is what is cited most.
      .sort((a, b) => Number(b.week === week.number) - Number(a.week === week.number))
      .map(({ slug: reading, title, author }) => ({ slug: reading, title, author })),
  });
}

const dated = (year: string) =>
  /^\d{1,4}$/u.test(year) ? { issued: { 'date-parts': [[Number(year)]] } } : {};
const written = (author: string) =>
  author ? { author: author.split(/\s*;\s*|\s+(?:and|&)\s+/u).map(nameOf) } : {};

async function fromForm(
  deps: Deps,
  actor: Actor,
  source: Extract<NewSource, { pasted: string }>,
): Promise<unknown[] | SourceFailure> {
  const pasted = pastedSource(source.pasted);
  const said = { title: source.title, ...written(source.author), ...dated(source.year) };
  switch (pasted.kind) {
    case 'bibtex': {
      const read = await readFor(deps, actor, 'bibtex', { text: pasted.text });
      return read.ok ? (read.value ?? { code: 'no-source' }) : read.failure;
    }
    case 'ris':
      return recordsOfRis(pasted.text);
    case 'csl':
      return pasted.items;
    case 'doi':
      return source.title ? [{ type: 'article-journal', ...said, DOI: pasted.doi }] : { code: 'no-title' };
    case 'link':
      return source.title ? [{ type: 'webpage', ...said, URL: pasted.url }] : { code: 'no-title' };
    case 'none':
      return source.pasted.trim() === '' && source.title
        ? [{ type: 'book', ...said }]
        : { code: 'no-source' };
  }
}

/** Puts sources on one's shelf: a reading of the course, or what was pasted. What of a file cannot be read is told by count. */
export async function addToShelf(
  deps: Deps,
  actor: Actor,
  slug: string,
  source: NewSource,
): Promise<Result<{ added: number; unreadable: number }, SourceFailure>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { course } = door.value.record;
  let found: unknown[];
  if ('reading' in source) {
    const { readings } = await askTogether(deps.db, { readings: readingsOf(deps.db, course.id, actor.id) });
    const reading = readings.find((r) => r.slug === source.reading);
    if (!reading) return fail({ code: 'not-found' });
    found = [
      { type: 'chapter', title: reading.title, ...written(reading.author), 'container-title': course.title },
    ];
  } else {
    const read = await fromForm(deps, actor, source);
    if (!Array.isArray(read)) return fail(read);
    found = read;
  }
  const items = found.slice(0, MOST_SOURCES).flatMap((item): SourceItem[] => {
    const parsed = sourceItemSchema.safeParse(item);
    return parsed.success ? [parsed.data] : [];
  });
  if (items.length === 0) return fail({ code: 'no-source' });
  const held = await sourcesOf(deps.db, actor.id, course.id);
  if (held.length + items.length > MOST_SOURCES) return fail({ code: 'shelf-full' });
  await addSources(
    deps.db,
    { person: actor.id, course: course.id, now: deps.now },
    items.map((item) => ({ id: randomUUID(), item })),
  );
  return ok({ added: items.length, unreadable: found.length - items.length });
}

/** Takes a source off one's own shelf; texts that cite it stay as they are. */
export const takeFromShelf = (deps: Deps, actor: Actor, id: string) =>
  z.uuid().safeParse(id).success ? deleteSource(deps.db, actor.id, id) : Promise.resolve(0);

/** One's shelf in a course as a file that other programs read: BibTeX, CSL-JSON or RIS. */
export async function shelfFile(
  deps: Deps,
  actor: Actor,
  slug: string,
  form: ShelfForm,
): Promise<Result<{ name: string; text: string }, NotFound | NotRead>> {
  const door = await enterRoom(deps, actor, slug);
  if (!door.ok) return door;
  const { course } = door.value.record;
  const items = (await sourcesOf(deps.db, actor.id, course.id)).map((s) => s.item);
  const name = `sources-${course.slug}.${form}`;
  if (form === 'ris') return ok({ name, text: risOf(items) });
  if (form === 'json') {
    const all = items.map((item, i) => ({ id: `source-${i + 1}`, ...item }));
    return ok({ name, text: `${JSON.stringify(all, null, 2)}\n` });
  }
  const read = await readFor(deps, actor, 'bibtexOf', { items });
  return read.ok ? ok({ name, text: read.value }) : read;
}
