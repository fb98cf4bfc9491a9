import type { Addresses } from '../address';
import type { Finding, Found } from '../findings';
import { isAsked, isElsewhere } from '../modality';
import { valueOf, NUMBER } from '../numbers';
import type { Outline, Sentence } from '../outline/types';
import { quantitiesOf } from '../quantities';
import { CLASSMATE, PERSON, REPLY_NOUN, REPLY_VERB } from '../vocabulary';
import { every, latin, whole } from '../pattern';

/* How many replies, to whom, and on how many days. */

const POSTS =
  '(?:(?:initial |original |first |main |other )?(?:posts?|threads?|contributions?|entries|entry|proposals?|choices?|submissions?|notes?|stories|story|answers?|responses?|arguments?|pieces?|analyses|reflections?|recordings?|messages?|plans?|summaries|summary|statements?|ideas?|videos?|pictures?|photos?|letters?|rules?|poems?|versions?|explanations?|designs?|interventions?|verdicts?|suggestions?|recommendations?|solutions?))';
const FILLER =
  "(?:(?!(?:to|in|on|for|with|and|or|by|at|from|which|that|who|words?|sentences?|paragraphs?|sources?|questions?|days?)\\s)[\\p{L}’'-]+\\s+){0,5}?";
const HEAD = `(?:${FILLER}(?:${PERSON}|${POSTS}|${REPLY_NOUN}|of them|others|other(?=\\s*(?:[.,;:)]|$)))|(?:of (?:the|your|those) )?other [\\p{L}-]+)`;
const PERSONAL = whole(`(?:${PERSON}|of them)$`);
const POSSESSIVE = latin(
  /^\s*(?:['’]s?|s['’])?\s*(?:\p{L}+\s+){0,2}(?:posts?|threads?|contributions?|entries|responses?|notes)(?![\p{L}])/iu,
);
const SUBSET =
  /^\s*(?:of (?:which|whom|these|those|your (?:own )?(?:repl|respons|comment|answer|follow)|the (?:repl|respons|comment)))/iu;
const REPLYING = whole(
  `${REPLY_VERB}|repl(?:y|ies)|comments?|feedback|responses? to|follow-?ups?|tell(?:ing)?|write|leave|find|pick|choose|visit|read|listen|thank|help|challenge|contribut(?:e|ing)|look for|take up|take on|engage|go|give|look at|answers? to|go to`,
);
const DIFFERENT = whole(`(?:different|separate|distinct|various) (?:\\p{L}+ )?(?:${PERSON}|authors?)`);
const SINGLE = every(
  `(?:${REPLY_VERB}|repl(?:y|ies)|comments?|feedback|responses?|answers?|tell(?:ing)?|find(?:ing)?|look(?:ing)? for|help(?:ing)?|read|challeng(?:e|ing)|pick(?:ing)?|choos(?:e|ing)|ask(?:ing)?|show(?:ing)?) (?:back )?(?:(?:to|on|with|for|at|of) )?(?:the (?:post|thread|entry|work|note|response|contribution)s? (?:of|by|from) )?(?:a|an|another|any(?: one)?|one|some) ?(?:(?:other|fellow|different|single) )?(?:${CLASSMATE}|${PERSON}|post|thread|contribution|entry|response|body(?: else)?|one(?: else)?)(?![\\p{L}])`,
);
const CERTAIN = whole(CLASSMATE);
/** "reply to three", "respond to two jurors who …": whoever they are. */
const ANYBODY = latin(
  new RegExp(
    `(?<![\\p{L}])(?:repl(?:y|ies|ying)|respond(?:s|ing)?|comment(?:s|ing)?|writ(?:e|ing)(?: back)?|answer) (?:to|on) (?:at least |no fewer than |exactly |any |some )?(?<n>${NUMBER})(?<head>(?: (?!of (?:these|the) )\\p{L}[\\p{L}-]*){0,2})(?=[.,;:()]|$| (?:who|whose|of|from|in|by|that|with|and))`,
    'giu',
  ),
);
const PEOPLE_END = /(?:ors|ers|ists|ants|ents|men|women)$/iu;
const EACH_TO = every(
  `(?:(?:a|one|another|the other)(?: response| reply| comment| answer)|one|another) (?:to|for) (?:some(?:body|one)|an? |the (?:post|author|person))`,
);
/** "Respond to someone who …, and to someone who …" */
const TO_SOMEONE = every(
  '(?:to )?one (?:\\p{L}+ ){0,1}(?:who|whose|from)|to (?:some(?:one|body)|(?:a|an|another|one) (?:\\p{L}+ ){0,2}(?:classmate|student|peer|colleague|person))',
);
/** "Find two rewrites … and point it out to their authors": whatever is found, it is somebody's. */
const TAKEN = latin(
  new RegExp(`(?<![\\p{L}])(?:find|pick|choose|take|select) (?:at least )?(?<n>${NUMBER}) \\p{L}+`, 'iu'),
);
const THEIRS = /to (?:their|its) (?:authors?|writers?|makers?|owners?)/iu;
const SECOND_AND_THIRD = /second and third (?:posts?|contributions?|entries)/iu;
const A_NUMBER = latin(new RegExp(NUMBER, 'iu'));
const NONE = latin(
  /(?<![\p{L}])(?:(?:no|not) (?:\p{L}+ ){0,3}(?:repl(?:y|ies)|comments?|responses?)(?: to (?:others|classmates|peers))?(?: are| is)? ?(?:required|needed|necessary|expected|this (?:time|week))?|(?:not|\p{L}*n['’]t) (?:asking for|expected to|required to|need to|have to) ?(?:repl|respond|comment)\p{L}*|nobody is (?:counting|asking)[^.]*repl)/iu,
);
const ROW_REPLY = latin(
  /(?<![\p{L}])(?:(?:first|second|third|fourth|1st|2nd|3rd) (?:peer |classmate )?(?:repl|respons|comment|follow|feedback|rebuttal)\p{L}*|(?:peer|repl(?:y|ies)|response|answer|comment|follow-?up|feedback|rebuttal)\p{L}*(?: \p{L}+){0,3}[ #(]*(?:\d|[A-E]|one|two|three|four))(?![\p{L}\p{N}])/iu,
);

const UNTOUCHED = latin(
  /(?<![\p{L}])(?:(?:(?<=(?:with|has|have|had|got|received|still|yet) )(?:no|zero)|without(?: any| an?)?) (?:repl(?:y|ies)|comments?|responses?|answers?)|(?:nobody|no one|no-one|none)(?: else)?(?: has| have)?(?: yet)? (?:has |have )?(?:\p{L}+ )?(?:touched|replied|answered|responded|commented|written)|not (?:yet )?(?:been |had |received )?(?:any |a )?(?:repl|answer|respon|comment|touch)\p{L}*|un(?:answered|replied)|has(?:n['’]t| not) (?:yet )?(?:been |had |received |got )(?:any |a single |a )?(?:repl|answer|respon|comment))/iu,
);

function unansweredIn(s: Sentence, addresses: Addresses): Found {
  const cue = UNTOUCHED.exec(s.text);
  if (!cue || !isAsked(s, cue.index)) return [];
  const subset = quantitiesOf(
    s.text,
    '(?:of (?:which|whom|these|those|them|your|the)|repl(?:y|ies)|comments?|responses?|must|should|has to|to (?:a|some))',
  )[0];
  if (addresses(s, cue.index).who !== 'replies' && !subset) return [];
  const n = subset?.min ?? 1;
  return [
    {
      fact: 'replies.unanswered',
      value: n,
      start: s.start + (subset?.start ?? cue.index),
      end: s.start + cue.index + cue[0].length,
      confidence: 0.8,
    },
  ];
}

function daysIn(s: Sentence): Found {
  return quantitiesOf(
    s.text,
    '(?:(?:separate|different|distinct|other|individual|calendar) )?days?(?: of (?:the|each) week)?',
  ).flatMap((q): Found => {
    const before = s.text.slice(0, q.start);
    const apart = /separate|different|distinct|of (?:the|each) week/iu.test(q.unitText);
    const on = /(?<![\p{L}])(?:on|over|across|spread(?: out)? over)\s+$/iu.test(before);
    const onWhich = apart && /^\s+on which/iu.test(s.text.slice(q.unitEnd));
    if (
      !onWhich &&
      !(
        on &&
        (apart || /(?:post|contribut|participat|appear|activ|show up|present|visit|spread)/iu.test(s.text))
      )
    )
      return [];
    const n = q.min ?? q.max ?? 0;
    if (n < 2 || !isAsked(s, q.start) || /late|per day|deduct|within/iu.test(before)) return [];
    return [
      {
        fact: 'replies.distinctDays',
        value: n,
        start: s.start + q.start,
        end: s.start + q.end,
        confidence: 0.9,
      },
    ];
  });
}

type Counted = { n: number; people: boolean; span: { start: number; end: number }; confidence: number };

/** The counts of replies a sentence says. */
function countsIn(s: Sentence, addresses: Addresses): Counted[] {
  const found: Counted[] = [];
  for (const q of quantitiesOf(s.text, HEAD)) {
    const who = addresses(s, q.start);
    const inUnit = addresses(s, Math.max(0, q.unitEnd - 1));
    if (who.who !== 'replies' && inUnit.who !== 'replies') continue;
    if ((q.min ?? q.max ?? 0) > 12) continue;
    if (!isAsked(s, q.start)) continue;
    const after = s.text.slice(q.unitEnd);
    if (SUBSET.test(s.text.slice(q.at).replace(/^\S+/u, ''))) continue;
    if (
      /(?:read|watch|listen to|look at)(?: at least| over| through)?\s+$/iu.test(s.text.slice(0, q.start)) &&
      s.text.search(ANYBODY) >= 0
    )
      continue;
    if (
      !REPLYING.test(s.text) &&
      !CERTAIN.test(q.unitText) &&
      !s.heading &&
      !s.question &&
      s.section.who !== 'replies'
    )
      continue;
    const people =
      (PERSONAL.test(q.unitText) || /^\s*who(?![\p{L}])/iu.test(after)) &&
      !(POSSESSIVE.test(after) && /^of (?:your|the)/iu.test(q.unitText));
    found.push({
      n: q.min ?? q.max ?? 1,
      people,
      span: { start: s.start + q.start, end: s.start + q.unitEnd },
      confidence: who.sure ? 0.9 : 0.75,
    });
  }
  if (found.length === 0) {
    for (const m of s.text.matchAll(ANYBODY)) {
      if (!isAsked(s, m.index) || !m.groups?.n) continue;
      if (
        /(?:questions?|prompts?|tasks?|parts?|scenarios?|cases?|topics?|words?|sentences?|paragraphs?)$/iu.test(
          m.groups.head ?? '',
        )
      )
        continue;
      const rest = s.text.slice(m.index + m[0].length);
      const head = (m.groups.head ?? '').trim();
      const people =
        /^\s*(?:who|whose)/iu.test(rest) ||
        (PEOPLE_END.test(head) &&
          !/(?:letters|answers|papers|posters|comments|statements|arguments)$/iu.test(head));
      const span = { start: s.start + m.index, end: s.start + m.index + m[0].length };
      found.push({ n: valueOf(m.groups.n), people, span, confidence: 0.8 });
      break;
    }
  }
  if (found.length === 0) {
    const m = TAKEN.exec(s.text);
    if (m?.groups?.n && isAsked(s, m.index) && THEIRS.test(s.text)) {
      const span = { start: s.start + m.index, end: s.start + m.index + m[0].length };
      found.push({ n: valueOf(m.groups.n), people: false, span, confidence: 0.75 });
    }
  }
  const apiece = [...s.text.matchAll(TO_SOMEONE)];
  const toEach =
    apiece.length >= 2 && REPLYING.test(s.text.slice(0, apiece[0]?.index))
      ? apiece
      : [...s.text.matchAll(EACH_TO)];
  const each = toEach.filter((m) => isAsked(s, m.index));
  if ((found.length === 0 || (found.length === 1 && found[0]?.n === 1)) && each.length >= 2) {
    found.length = 0;
    const [first] = each;
    const last = each[each.length - 1];
    if (first && last) {
      found.push({
        n: each.length,
        people: /some(?:body|one)|person|student|classmate|peer|who/iu.test(s.text),
        span: { start: s.start + first.index, end: s.start + last.index + last[0].length },
        confidence: 0.8,
      });
    }
  }
  if (found.length === 0) {
    for (const m of s.text.matchAll(SINGLE)) {
      const who = addresses(s, m.index + m[0].length - 1);
      if (who.who !== 'replies' || !isAsked(s, m.index)) continue;
      found.push({
        n: 1,
        people: true,
        span: { start: s.start + m.index, end: s.start + m.index + m[0].length },
        confidence: who.sure ? 0.8 : 0.6,
      });
      break;
    }
  }
  return found;
}

/** "Follow-ups (minimum: two, in two threads)": a number right after the heading's name for the replies. */
const AFTER_NAME = latin(
  new RegExp(
    `(?:${REPLY_NOUN}|contributions?|posts?)(?: to (?:others|peers|classmates|one another|each other))?\\s*[(:]?\\s*(?:minimum|at least|min\\.?|required|number)?\\s*(?:of|:|=|x|×)?\\s*(?<n>${NUMBER})(?!\\s*(?:[–—-]\\s*\\d+\\s*)?(?:\\p{L}+ )?(?:words?|sentences?|paragraphs?|points?|marks?|hours?|minutes?|p\\.?m|a\\.?m|:))(?=\\s*(?:[,;.)]|$|\\())`,
    'iu',
  ),
);

const DIFFERENT_PEOPLE = '(?:different|other) (?:people|persons|students|classmates|members)';
const BOTH_OTHERS = latin(
  /(?<![\p{L}])both (?:of )?(?:the |your )?(?:other )?(?:members|partners|people|classmates|students|peers|of them)(?![\p{L}])/iu,
);
const ANSWERS_ONE = latin(/(?<![\p{L}])(?:a|an|one|another|someone|somebody)(?![\p{L}])/iu);
/** What begins a demand: "comment on …", "Then reply …". */
const BEGINS = latin(
  new RegExp(
    `(?:^|[,;:.] |(?<![\\p{L}])(?:and|then|on|later|please|must|should|will) )(?:${REPLY_VERB}|guess|find|tell)(?![\\p{L}])`,
    'iu',
  ),
);

/** What is left when no count stands beside its own noun: "four different people should hear from you". */
function looselyCounted(sentences: readonly Sentence[], addresses: Addresses): Counted | null {
  for (const s of sentences) {
    const q = quantitiesOf(s.text, DIFFERENT_PEOPLE)[0];
    if (q && isAsked(s, q.start) && !s.heading) {
      return {
        n: q.min ?? 1,
        people: true,
        span: { start: s.start + q.start, end: s.start + q.unitEnd },
        confidence: 0.6,
      };
    }
    const both = BOTH_OTHERS.exec(s.text);
    if (both && isAsked(s, both.index) && addresses(s, both.index).who === 'replies') {
      return {
        n: 2,
        people: true,
        span: { start: s.start + both.index, end: s.start + both.index + both[0].length },
        confidence: 0.8,
      };
    }
  }
  for (const s of sentences) {
    const m = BEGINS.exec(s.text);
    if (!m || s.heading || !isAsked(s, m.index + 1) || !ANSWERS_ONE.test(s.text)) continue;
    const end = m.index + m[0].length;
    if (!addresses(s, end + 12).sure || addresses(s, end + 12).who !== 'replies') continue;
    return { n: 1, people: true, span: { start: s.start + m.index, end: s.start + end }, confidence: 0.5 };
  }
  return null;
}

/**
 * How many replies are asked for, whether of different people, on which days, and to which posts.
 * @example "Reply to three classmates." gives `{ fact: 'replies.count', value: 3, … }`
 */
export function replies(outline: Outline, addresses: Addresses): Found {
  const { sentences } = outline;
  const found: Found = [];
  const rows = sentences.filter((s) => s.row !== null && ROW_REPLY.test(s.row));
  const items = sentences.filter(
    (s) =>
      s.row === null &&
      s.heading === false &&
      /^(?:\p{L}+ )?(?:reply|response|comment|follow-?up|peer (?:reply|response|comment)) (?:#|no\.? )?\d(?=[\s.:–-])/iu.test(
        s.text,
      ),
  );
  const numbered = rows.length >= 2 ? rows : items.length >= 2 ? items : [];
  let counted: Counted | null = null;
  if (numbered.length >= 2) {
    const first = numbered[0];
    const last = numbered[numbered.length - 1];
    if (first && last)
      counted = {
        n: numbered.length,
        people: false,
        span: { start: first.start, end: last.end },
        confidence: 0.9,
      };
  }
  for (const s of sentences) {
    if (counted && counted.confidence >= 0.9) break;
    const named = AFTER_NAME.exec(s.text);
    if (
      named?.groups?.n &&
      isAsked(s, named.index) &&
      addresses(s, named.index).who === 'replies' &&
      !/(?:due|by|until)/iu.test(named[0]) &&
      (s.heading || s.section.who === 'replies' || /^\P{L}*(?:\p{L}+[ -]){0,2}\p{L}+:/u.test(s.text))
    ) {
      const more = countsIn(s, addresses);
      counted = {
        n: valueOf(named.groups.n),
        people: more.some((m) => m.people),
        span: { start: s.start + named.index, end: s.start + named.index + named[0].length },
        confidence: 0.9,
      };
      break;
    }
    const best = countsIn(s, addresses).sort(
      (a, b) => b.confidence - a.confidence || b.n - a.n || Number(b.people) - Number(a.people),
    )[0];
    if (best && (!counted || best.confidence > counted.confidence)) counted = best;
  }
  // "How many replies? Two, to people you have not answered before."
  const sheet = sentences.find(
    (s) =>
      s.question !== null &&
      /how many (?:repl|comment|response|people|classmate|peer|post)/iu.test(s.question),
  );
  const told = sheet ? A_NUMBER.exec(sheet.text) : null;
  if (!counted && sheet && told) {
    const people =
      CERTAIN.test(sheet.text) || /people|classmates|students/iu.test(`${sheet.question} ${sheet.text}`);
    counted = { n: valueOf(told[0]), people, span: sheet, confidence: 0.85 };
  }
  const both = sentences.find((x) => x.heading && SECOND_AND_THIRD.test(x.text));
  if (!counted && both) counted = { n: 2, people: DIFFERENT.test(both.text), span: both, confidence: 0.85 };
  if (!counted) counted = looselyCounted(sentences, addresses);
  const none = sentences.find((s) => NONE.test(s.text) && !isElsewhere(s, 0));
  if (!counted || (none && counted.confidence < 0.85)) {
    return sentences.flatMap((s) => daysIn(s));
  }
  const { span, confidence } = counted;
  const make = (fact: string, value: Finding['value'], at = span, sure = confidence): Finding => ({
    fact,
    value,
    ...at,
    confidence: sure,
  });
  found.push(make('replies.count', counted.n));
  if (counted.n >= 2) {
    const apart = sentences
      .map((s) => ({ s, m: DIFFERENT.exec(s.text) }))
      .find(({ s, m }) => m && isAsked(s, m.index) && addresses(s, m.index).who === 'replies');
    if (counted.people) found.push(make('replies.distinctPeers', true));
    else if (apart?.m) {
      const start = apart.s.start + apart.m.index;
      found.push(make('replies.distinctPeers', true, { start, end: start + apart.m[0].length }));
    }
  }
  return [...found, ...sentences.flatMap((s) => [...unansweredIn(s, addresses), ...daysIn(s)])];
}
