import type { Addresses } from '../address';
import type { Found } from '../findings';
import { isAsked } from '../modality';
import { NUMBER, valueOf } from '../numbers';
import type { Outline, Sentence } from '../outline/types';
import { latin, whole } from '../pattern';

/* The components a response must answer: numbered, lettered or listed. */

type Item = { marker: string; sentences: Sentence[]; text: string; start: number; end: number };

const TASK = whole(
  'explain|describe|discuss|state|identify|compare|contrast|name|give|list|draft|propose|evaluate|analy[sz]e|argue|say|show|define|reflect|outline|suggest|decide|estimate|tell|predict|calculate|work out|justify|assess|consider|summari[sz]e|advise|recommend|sketch|imagine|apply|explore|examine|interpret|rank|defend|design|choose|pick|select|find|determine|illustrate|locate|trace|note|make|take|critique|rewrite|translate|set out|address|connect|write|think|report|point|use|develop|formulate|present|how|why|what|which|whether|who|when|where|if|your|the|one|is|are|do|does|should|would|could|can',
);
const PROCEDURE = whole(
  'upload|attach|submit|watch|listen|read|replies|reply|respond|repl(?:y|ies) to|classmates?|peers?|minimum|maximum|at least \\d+ words|\\d+ words|words|deadline|due|by (?:mon|tues|wednes|thurs|fri|satur|sun)day|finish|come back|return to|log in|post your|post it|post a|record|subject line|go to|open the|sign up|step|cite|citations?|references?|no later than',
);
const CHOOSE = latin(
  new RegExp(
    `(?<![\\p{L}])(?:choose|pick|select|answer|address|respond to|discuss|take|tackle|do|complete)(?: any)?(?: (?:at least|just|only|exactly))? (?<n>${NUMBER}|either|any)(?: (?:of|from)(?: the)?| (?:question|prompt|option|topic|part|scenario|issue)s?)`,
    'iu',
  ),
);
const STEPS = latin(
  /(?<![\p{L}])(?:steps?|procedure|instructions|checklist|tick|how to|rules|guidelines|requirements|remember|keep in mind|details|logistics|options|choose one)(?![\p{L}])/iu,
);
const SAYS_HOW_MANY = latin(
  new RegExp(
    `(?<![\\p{L}])(?:answer|answers|address|addresses|cover|covers|respond to|discuss|in|has|have|deal with)\\s+(?:all |each of |these |the |both )*(?:of )?(?:these |the |following )*(?<n>${NUMBER}|both)\\s+(?:(?:following|short|main|related|numbered|distinct)\\s+)*(?:questions|parts|points|prompts|components|sections)(?![\\p{L}])`,
    'iu',
  ),
);

function listsOf(outline: Outline): { kind: string; items: Item[]; intro: Sentence | null }[] {
  const lists: { kind: string; items: Item[]; intro: Sentence | null }[] = [];
  let before: Sentence | null = null;
  for (const s of outline.sentences) {
    const { marker } = s;
    const list = lists[lists.length - 1];
    const item = list?.items[list.items.length - 1];
    if (marker === null) {
      // Text between items of "Part A", "Part B" belongs to the part above it.
      if (list?.kind === 'part' && item && !s.heading && s.line - (item.sentences.at(-1)?.line ?? 0) <= 1) {
        item.sentences.push(s);
      }
      before = s;
      continue;
    }
    if (item && item.sentences[0]?.line === s.line) {
      item.sentences.push(s);
      item.text = `${item.text} ${s.text}`;
      item.end = s.end;
      continue;
    }
    const goesOn =
      list &&
      list.kind === marker.kind &&
      before === null &&
      (marker.n === 0 || marker.n > (item?.sentences[0]?.marker?.n ?? 0));
    const partGoesOn =
      list &&
      list.kind === 'part' &&
      marker.kind === 'part' &&
      marker.n > (item?.sentences[0]?.marker?.n ?? 0);
    const fresh: Item = { marker: `${marker.n}`, sentences: [s], text: s.text, start: s.start, end: s.end };
    if (list && (goesOn || partGoesOn)) list.items.push(fresh);
    else lists.push({ kind: marker.kind, items: [fresh], intro: before });
    before = null;
  }
  return lists;
}

const INLINE = latin(/(?<=^|[\s:;,])\(?(?<l>[a-h]|[1-8]|i{1,3}|iv)\)\s*(?=[\p{L}“"])/giu);

/** "(a) …, (b) …" within a paragraph. */
function inlineOf(s: Sentence): { start: number; end: number; n: number; texts: string[] } | null {
  const marks = [...s.text.matchAll(INLINE)];
  const values = marks.map((m) => {
    const l = (m.groups?.l ?? '').toLowerCase();
    return /\d/u.test(l) ? Number(l) : l.charCodeAt(0) - 96;
  });
  const roman =
    marks.length >= 2 && /^i$/iu.test(marks[0]?.groups?.l ?? '') && /^ii$/iu.test(marks[1]?.groups?.l ?? '');
  if (marks.length < 2 || (!roman && !values.every((v, i) => v === i + 1))) return null;
  const first = marks[0];
  const texts = marks.map((m, i) =>
    s.text
      .slice(m.index + m[0].length, marks[i + 1]?.index ?? s.text.length)
      .replace(/^[\s,;]+|[\s,;]+(?:and|or)?[\s,;]*$/gu, '')
      .replace(/[.;,]$/u, ''),
  );
  return first ? { start: first.index, end: s.text.length, n: marks.length, texts } : null;
}

const isComponent = (text: string) => /\?/u.test(text) || TASK.test(text.split(/\s+/u).slice(0, 3).join(' '));
const isProcedure = (text: string) => PROCEDURE.test(text) && !/\?\s*$/u.test(text);

type Components = { n: number; start: number; end: number; confidence: number; texts: string[] };

function componentsOf(outline: Outline, addresses: Addresses): Components | null {
  const found: Components[] = [];
  for (const { kind, items, intro } of listsOf(outline)) {
    const first = items[0];
    const last = items[items.length - 1];
    if (!first || !last || items.length < 2 || kind === 'box') continue;
    const opening = first.sentences[0];
    if (
      !opening ||
      opening.section.topic === 'avoid' ||
      opening.section.topic === 'late' ||
      opening.section.topic === 'due'
    )
      continue;
    if (addresses(opening, 0).who === 'replies' && opening.section.who === 'replies') continue;
    const asks = items.filter((i) => isComponent(i.text)).length / items.length;
    const rules = items.filter((i) => isProcedure(i.text)).length / items.length;
    const questions = items.filter((i) => /\?/u.test(i.text)).length / items.length;
    const context = intro
      ? outline.sentences
          .slice(Math.max(0, intro.index - 1), intro.index + 1)
          .map((s) => s.text)
          .join(' ')
      : '';
    const said = CHOOSE.exec(context);
    if (said?.groups?.n) {
      const n = /either|any/iu.test(said.groups.n) ? 1 : valueOf(said.groups.n);
      if (n < items.length) {
        if (n >= 2)
          found.push({
            n,
            start: first.start,
            end: last.end,
            confidence: 0.85,
            texts: items.map((i) => i.text),
          });
        continue;
      }
    }
    const limit = kind === 'part' ? 0.6 : kind === 'bullet' ? 0.01 : 0.34;
    if (asks < 0.7 || rules > limit) continue;
    if (kind !== 'part' && questions < 0.5 && STEPS.test(intro?.text ?? '')) continue;
    if (kind === 'bullet' && questions < 0.5 && !/:\s*$/u.test(intro?.text ?? '')) continue;
    found.push({
      n: items.length,
      start: first.start,
      end: last.end,
      confidence: kind === 'bullet' ? 0.7 : 0.85,
      texts: items.map((i) => i.text),
    });
  }
  for (const s of outline.sentences) {
    const inline = inlineOf(s);
    if (!inline || addresses(s, inline.start).who === 'replies' || !isAsked(s, inline.start)) continue;
    const said = CHOOSE.exec(s.text.slice(0, inline.start));
    const n =
      said?.groups?.n && !/either|any/iu.test(said.groups.n) ? valueOf(said.groups.n) : said ? 1 : inline.n;
    if (n >= 2)
      found.push({
        n: Math.min(n, inline.n),
        start: s.start + inline.start,
        end: s.start + inline.end,
        confidence: 0.8,
        texts: inline.texts,
      });
  }
  if (found.length === 0) {
    for (const s of outline.sentences) {
      const m = SAYS_HOW_MANY.exec(s.text);
      if (!m?.groups?.n || !isAsked(s, m.index) || addresses(s, m.index).who === 'replies') continue;
      const n = /both/iu.test(m.groups.n) ? 2 : valueOf(m.groups.n);
      if (n >= 2 && n <= 12)
        found.push({
          n,
          start: s.start + m.index,
          end: s.start + m.index + m[0].length,
          confidence: 0.7,
          texts: [],
        });
    }
  }
  return found.sort((a, b) => b.confidence - a.confidence)[0] ?? null;
}

/**
 * How many components a response must answer, where there are two or more.
 * @example "1. Which plan? 2. For whom?" in two lines gives `{ fact: 'response.parts', value: 2, … }`
 */
export function parts(outline: Outline, addresses: Addresses): Found {
  const best = componentsOf(outline, addresses);
  if (!best) return [];
  const { n, start, end, confidence } = best;
  return [{ fact: 'response.parts', value: n, start, end, confidence }];
}

/**
 * What the components ask, word for word; none where only their number is said, or some of them may be chosen.
 * @example of the same: ['Which plan?', 'For whom?']
 */
export function partTexts(outline: Outline, addresses: Addresses): string[] {
  const best = componentsOf(outline, addresses);
  return best && best.texts.length === best.n ? best.texts.map((t) => t.replace(/\s+/gu, ' ').trim()) : [];
}
