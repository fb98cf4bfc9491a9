import { z } from 'zod';
import { documentFromHtml } from '../formats/from-html';
import { plainText } from '../document/flatten';
import { looksLikeHtml } from '../prompts/html';
import type { Anchor } from './anchor';
import { plainAnnotation } from './plain-annotation';
import type { Audience, Note } from './note';

/**
 * Notes in the W3C Web Annotation Data Model (Recommendation of 23 February 2017) as JSON-LD. What is written keeps to
 * the model's musts: one context, an IRI for each annotation, a class, a target; a passage is a specific resource with
 * a TextQuoteSelector and a TextPositionSelector (section 4.2).
 */
export const ANNOTATION_CONTEXT = 'http://www.w3.org/ns/anno.jsonld';
export const ANNOTATION_TYPE = 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"';

type Json = { [key: string]: unknown };

/** RFC 3339 in UTC, as section 3.3.1 asks of times. */
const timeOf = (ms: number) => new Date(ms).toISOString();

const AUDIENCE_IRIS: Record<Audience, string> = {
  class: 'urn:pulpit:audience:class',
  staff: 'urn:pulpit:audience:staff',
  self: 'urn:pulpit:audience:self',
};

function annotationOf(note: Note, source: string): Json {
  const { anchor } = note;
  return {
    id: `urn:uuid:${note.id}`,
    type: 'Annotation',
    motivation: note.parent ? 'replying' : 'commenting',
    creator: { type: 'Person', name: note.author.name },
    created: timeOf(note.madeAt),
    ...(note.changedAt === null ? {} : { modified: timeOf(note.changedAt) }),
    audience: { id: AUDIENCE_IRIS[note.audience], type: 'Audience' },
    body: { type: 'TextualBody', value: note.body, format: 'text/plain' },
    target: note.parent
      ? `urn:uuid:${note.parent}`
      : anchor
        ? {
            source,
            selector: [
              {
                type: 'TextQuoteSelector',
                exact: anchor.exact,
                prefix: anchor.prefix,
                suffix: anchor.suffix,
              },
              { type: 'TextPositionSelector', start: anchor.start, end: anchor.end },
            ],
          }
        : source,
  };
}

/**
 * A reading's notes as a collection of one page (sections 5.1 and 5.2). `source` is the reading's address.
 * @example annotationsOf([], source, 'Notes') // a collection with `total: 0`
 */
export function annotationsOf(notes: readonly Note[], source: string, label: string): Json {
  const items = notes.filter((n) => !n.removed).map((n) => annotationOf(n, source));
  return {
    '@context': ANNOTATION_CONTEXT,
    id: `${source}/notes.jsonld`,
    type: 'AnnotationCollection',
    label,
    total: items.length,
    first: { id: `${source}/notes.jsonld#page`, type: 'AnnotationPage', startIndex: 0, items },
  };
}

export type ReadAnnotation = {
  body: string;
  /** The words and place a passage is known by, as far as the annotation says them. */
  passage: Partial<Anchor> | null;
  /** The annotation it answers, by that one's id. */
  answers: string | null;
  id: string | null;
  source: string | null;
};
export type AnnotationProblem = { n: number; code: 'no-annotation' | 'no-text' | 'no-target' };
export type ReadAnnotations = { notes: ReadAnnotation[]; problems: AnnotationProblem[] };

const asArray = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined ? [] : [value];
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const typesOf = (value: Json) => asArray(value.type ?? value['@type']).map(String);
const idOf = (value: unknown): string | null =>
  typeof value === 'string' ? value : isObject(value) ? String(value.id ?? value['@id'] ?? '') || null : null;

/** Markup in a body (section 3.2.4 allows text/html) as its text: a note is plain. */
const withoutTags = (text: string) => plainText(documentFromHtml(text));

const mostItems = 20_000;

/** A body that stands elsewhere (section 3.2.1) is not fetched: its address is what the note says. */
const addressOf = (body: string) => (/^https?:\/\/\S+$/iu.test(body) ? body : '');

function textOfBody(body: unknown): string {
  if (typeof body === 'string') return addressOf(body);
  if (!isObject(body)) return '';
  const types = typesOf(body);
  // Choice, Composite, List and Independents (section 3.2.7) hold bodies in turn; a specific resource holds one as source.
  if ('items' in body) return asArray(body.items).map(textOfBody).filter(Boolean).join('\n\n');
  if (types.includes('SpecificResource') || isObject(body.source)) return textOfBody(body.source);
  const value = typeof body.value === 'string' ? body.value : '';
  const purpose = String(body.purpose ?? '');
  if (purpose === 'tagging') return '';
  if (!value) return addressOf(idOf(body) ?? '');
  return /html/iu.test(String(body.format ?? '')) || looksLikeHtml(value) ? withoutTags(value) : value;
}

const position = z.number().int().min(0);

function passageOf(selectors: unknown[]): Partial<Anchor> | null {
  const passage: Partial<Anchor> = {};
  for (const selector of selectors) {
    if (!isObject(selector)) continue;
    const types = typesOf(selector);
    if (types.includes('TextQuoteSelector') && typeof selector.exact === 'string') {
      passage.exact ??= selector.exact;
      if (typeof selector.prefix === 'string') passage.prefix ??= selector.prefix;
      if (typeof selector.suffix === 'string') passage.suffix ??= selector.suffix;
    } else if (types.includes('TextPositionSelector')) {
      const start = position.safeParse(selector.start);
      const end = position.safeParse(selector.end);
      if (start.success && end.success && end.data > start.data) {
        passage.start ??= start.data;
        passage.end ??= end.data;
      }
    }
    // What refines a selection says more exactly where (section 4.2.9).
    const inner = passageOf(asArray(selector.refinedBy));
    if (inner) Object.assign(passage, inner);
  }
  return Object.keys(passage).length ? passage : null;
}

function read(value: unknown, n: number): ReadAnnotation | AnnotationProblem {
  if (!isObject(value) || !typesOf(value).includes('Annotation')) return { n, code: 'no-annotation' };
  const bodies = asArray(value.body).map(textOfBody).filter(Boolean);
  const body = (typeof value.bodyValue === 'string' ? value.bodyValue : bodies.join('\n\n')).trim();
  const targets = asArray(value.target);
  const target = targets[0];
  if (target === undefined) return { n, code: 'no-target' };
  const motivations = asArray(value.motivation).map(String);
  const passage = isObject(target) ? passageOf(asArray(target.selector)) : null;
  // A highlight says nothing and still marks a passage.
  if (!body && !(passage && motivations.includes('highlighting'))) return { n, code: 'no-text' };
  const source = isObject(target) ? idOf(target.source ?? target) : idOf(target);
  return {
    body,
    passage,
    answers: motivations.includes('replying') ? source : null,
    id: idOf(value),
    source,
  };
}

/**
 * Reads JSON-LD of the Web Annotation model as others write it: one annotation, an array of them, a page, or a collection
 * with its first page inside. What is no annotation, or says nothing that a note can hold, is named by its number.
 *
 * @example an array in which the second is no annotation gives one, and names number 2
 */
export function readAnnotations(json: unknown): ReadAnnotations {
  const items: unknown[] = [];
  const gather = (value: unknown, depth: number) => {
    if (depth > 4 || items.length >= mostItems) return;
    if (Array.isArray(value)) for (const item of value) gather(item, depth + 1);
    else if (isObject(value)) {
      const types = typesOf(value);
      if (types.includes('AnnotationCollection') || types.includes('AnnotationPage')) {
        gather(value.first ?? value.items ?? [], depth + 1);
      } else if (isObject(value['@graph']) || Array.isArray(value['@graph']))
        gather(value['@graph'], depth + 1);
      else items.push(value);
    } else if (depth > 0 || typeof value !== 'string') items.push(value);
  };
  gather(plainAnnotation(json), 0);
  const notes: ReadAnnotation[] = [];
  const problems: AnnotationProblem[] = [];
  items.slice(0, mostItems).forEach((item, i) => {
    const found = read(item, i + 1);
    if ('code' in found) problems.push(found);
    else notes.push(found);
  });
  return { notes, problems };
}
