import type { Addresses } from '../address';
import type { Finding, Found } from '../findings';
import { clauseAt } from '../outline';
import { type Outline, type Sentence, type Span, type Who } from '../outline/types';
import { ELSEWHERE } from '../vocabulary';
import { momentsOf, type Moment } from '../times';
import { latin } from '../pattern';

/* The two deadlines. */

type Name = { who: Who; weak: boolean };
type Candidate = Moment & { who: Who | 'both' | null; weak: boolean; sure: boolean };

const CUE = latin(
  /(?<![\p{L}])(?:by|before|due|until|till|deadlines?|no later than|not later than|latest|close[sd]?|closing|shuts?|locks?|freez\p{L}*|in by|up by|finish(?:ed|ing)?|submit(?:ted)?|complete[d]?|cut-?off|final time|end(?:s|ed)?|ready|expected|owed|reach(?:es)? me|collect|stops?|needed|posted|done|for this (?:discussion|week|forum|unit|topic)|(?:has|have|needs?) to be|must be|on time|is the day|land(?:s|ed)?|have until)(?![\p{L}])/iu,
);
/** Times of people and events, not of deadlines. */
const NOT_A_DEADLINE = latin(
  /(?<![\p{L}])(?:office hours?|live session|seminar (?:on|at|is)|lecture (?:on|at|is)|webinar|tutorial (?:on|at|is)|zoom|catch me|drop in|i(?:['’]m| am) (?:in|at|available|on|away|around)|i read (?:mail|email)|opens? (?:on|at|from)|goes? up|released?|available (?:from|on)|appears? on|i(?:['’]ll| will) (?:post|publish|mark|return|read|reply|be)|my own|we meet (?:at|on)|starts? on|begins? on|exam|quiz|essay|project|field trip|next unit|following unit|meets? on|call me|phone)(?![\p{L}])/iu,
);
const STILL_A_DEADLINE = latin(/(?<![\p{L}])(?:by|due|no later than|deadline|before we meet)(?![\p{L}])/iu);
const EVERYTHING = latin(
  /(?<![\p{L}])(?:everything(?! else)|all of (?:it|this|the above|that)|whole (?:thing|lot)|it all|all (?:posts|posting|work|contributions|parts|activity|due|of the above)|both|the (?:thread|discussion|board|forum|conversation|window|week) (?:is |will |then )?(?:closes?|closed|shuts?|shut|locks?|locked|ends?|freez\p{L}*)|closes?|shuts?|post and repl(?:y|ies)|posts? and (?:repl\p{L}+|comments?|responses?)|done)(?![\p{L}])/iu,
);
/** "The thread closes on …", "… on Sunday for everything": whatever else is named, it is both. */
const ALL_OF_IT = latin(
  /(?<![\p{L}])(?:the|this) (?:(?:whole|entire) )?(?:thread|discussion|board|forum|conversation|exercise|window|topic)(?: \p{L}+){0,3} (?:closes?|closed|shuts?|shut|locks?|locked|ends?|open until|freez\p{L}*)(?: \p{L}+){0,3}\s*$/iu,
);
const ALL_AFTER =
  /^[\s,]*(?:for (?:everything|both|all|the whole)|closes the (?:whole|discussion|thread|exercise))/iu;
const THE_REST = latin(/(?<![\p{L}])(?:everything else|the rest|all else)(?![\p{L}])/iu);
const WEEKDAYS_OFTEN = latin(/(?<![\p{L}])(?:mon|tues|wednes|thurs|fri|satur|sun)days(?![\p{L}])/iu);
const TOLD = latin(
  /(?<![\p{L}])(?:were|was|had|writes|comes? back|found|happened|arrived|encrypted|opened)(?![\p{L}])/iu,
);

/** Names of the replies and of the response in a deadline's own phrase. */
const FOR_REPLY = latin(
  /(?<![\p{L}])(?:repl(?:y|ies|ying)|comment(?:s|ing)?|responses|respond(?:ing)?|follow-?ups?(?: posts?| responses?)?|feedback|posts? (?:on|to|about) (?:others?|other people|class|peers|each other)\p{L}*|(?:check|come|go) back|(?:peer|reply|feedback|second) (?:response|review|post|repl|comment)\p{L}*|answers|classmates?|peers?|interactions?|rebuttals?|rejoinders?|counter-\p{L}+|critiques?)(?![\p{L}])/giu,
);
const FOR_RESPONSE = latin(
  /(?<![\p{L}-])(?:(?:initial|original|first|main|opening|own|your|starting) (?:\p{L}+ ){0,2}?(?:posts?|responses?|contributions?|threads?|piece|entry|case|statement|note|answer|response|message|submission|one|paragraph|description|advice|text)|(?<!(?:other|others['’]?|two|three|four|one|mates?['’]|peers?['’]|their|of|to|on|students?['’]) )(?:posts?|threads?|statements?|contributions?|descriptions?|notes?|entries|entry|pieces?|proposals?|essays?|reflections?|submissions?|arguments?|stor(?:y|ies)|paragraphs?|reports?|positions?|advice|reviews?|letters?|summar(?:y|ies)|analys[ie]s|openers?|pitch(?:es)?|cases?|videos?|photos?|pictures?))(?![\p{L}])/giu,
);

/** "Answers" and "responses" may be either; "replies" and "comments" may not. */
const WEAK_NAME = /^(?:answers|responses|respond)/iu;

const namesIn = (text: string): (Name & Span)[] => {
  const replies = [...text.matchAll(FOR_REPLY)].map((m) => ({
    who: 'replies' as const,
    weak: WEAK_NAME.test(m[0]),
    start: m.index,
    end: m.index + m[0].length,
  }));
  const response = [...text.matchAll(FOR_RESPONSE)]
    .map((m) => ({ who: 'response' as const, weak: false, start: m.index, end: m.index + m[0].length }))
    .filter((m) => !replies.some((r) => r.start < m.end && m.start < r.end));
  return [...replies, ...response].sort((a, b) => a.start - b.start);
};

const JOINED = /^[\s,]*(?:and|&|plus|\/|as well as)\s*(?:your |the |all |both )?$/iu;
/** "By Tuesday, post …": the deadline comes first, and what it is for comes after it. */
const FRONTED = latin(
  /(?:^|[,;.(:]|(?<![\p{L}])(?:and|then|but))\s*(?:(?:by|before|on|until|no later than)\s+)?(?:the\s+)?$/iu,
);

/** "(for your first post)", right after a moment. */
const POSTFIX = latin(/^[\s,]*\(?for (?:the |your |all |each )?(?:\p{L}+ )?\p{L}+/iu);

/** Which of the two the phrase around a moment names, between the moments beside it. */
function nameOf(
  s: Sentence,
  m: Moment,
  last: Moment | undefined,
  next: Moment | undefined,
): Name | 'both' | null {
  const taken = last ? (POSTFIX.exec(s.text.slice(last.end, m.start))?.[0].length ?? 0) : 0;
  const before = s.text.slice((last?.end ?? 0) + taken, m.start);
  const after = s.text.slice(m.end, next?.start ?? s.text.length);
  // "until Thursday for the answers"
  const own = POSTFIX.exec(after);
  const postfixed = own && namesIn(own[0])[0];
  if (postfixed) return postfixed;
  const cut = Math.max(before.lastIndexOf(';'), before.lastIndexOf('. '));
  const ahead = namesIn(before).filter((x) => x.start > cut);
  const nearest = ahead[ahead.length - 1];
  if (nearest) {
    // "posts and replies by Friday" names both.
    const other = ahead.find(
      (x) =>
        x.who !== nearest.who && x.end <= nearest.start && JOINED.test(before.slice(x.end, nearest.start)),
    );
    return other ? 'both' : nearest;
  }
  const behind = namesIn(after)[0];
  if (!behind) return null;
  const between = after.slice(0, behind.start);
  if (/^[\s,)]*(?:\(?(?:for|is when|:|–|—|-)\s*)(?:the |your |all )?(?:\p{L}+ ){0,2}$/iu.test(between))
    return behind;
  return FRONTED.test(before) && !/[;.]/u.test(between) ? behind : null;
}

const NAME_AT_END = latin(
  new RegExp(
    `(?:${FOR_REPLY.source}|${FOR_RESPONSE.source})(?:\\s*\\([^)]*\\))?[\\s:,–-]*(?:on|at|by)?\\s*$`,
    'iu',
  ),
);

/** Whether a moment of a sentence is a deadline at all. */
function isDeadline(s: Sentence, m: Moment, last: Moment | undefined, follows: boolean): boolean {
  if (m.date === undefined && m.weekday === undefined) return false;
  if (WEEKDAYS_OFTEN.test(s.text.slice(m.start, m.end + 1))) return false;
  const clause = clauseAt(s.text, m.start);
  const before = s.text.slice(clause.start, m.start);
  const after = s.text.slice(m.end, clause.end);
  const own = s.text.slice(last?.end ?? 0, m.start);
  const near = own.slice(-90);
  const named = NAME_AT_END.test(own);
  const cue =
    CUE.test(near) ||
    (CUE.test(after.slice(0, 40)) && !/^[^,;.]*(?:mon|tue|wed|thu|fri|sat|sun)/iu.test(after)) ||
    s.section.topic === 'due' ||
    /(?:due|when|deadline|by what)/iu.test(s.question ?? '') ||
    follows ||
    named ||
    /^[^.!?]{0,70}[:|\t–—-]\s*(?:\p{L}+ ){0,3}$/u.test(own) ||
    s.text.slice(0, m.start).trim() === '' ||
    s.row !== null ||
    // "Post Monday to Wednesday"
    /(?:mon|tue|wed|thu|fri|sat|sun)\p{L}* (?:to|through|until|till|–|-)\s*$/iu.test(own);
  if (!cue) return false;
  const told = /(?<![\p{L}])(?:by|due|until|before|no later|deadline|close[sd]?)(?![\p{L}])/iu.test(near);
  if (s.section.topic === 'context' && s.section.who === null && !told) return false;
  const around = `${before}${s.text.slice(m.start, m.end)}${after.slice(0, 30)}`.slice(-140);
  if (NOT_A_DEADLINE.test(around) && !STILL_A_DEADLINE.test(near)) return false;
  if (/(?<![\p{L}])my own(?![\p{L}])/iu.test(around)) return false;
  if (
    /(?<![\p{L}])(?:exam|quiz|essay|project|problem set|office hours|i read|live session)(?![\p{L}])/iu.test(
      near,
    )
  )
    return false;
  if (ELSEWHERE.some((e) => e.test(near))) return false;
  return told || !TOLD.test(around);
}

function candidatesIn(s: Sentence, addresses: Addresses): Candidate[] {
  const moments = momentsOf(s.text);
  const found: Candidate[] = [];
  moments.forEach((m, i) => {
    const last = moments[i - 1];
    const next = moments[i + 1];
    const between = s.text.slice(last?.end ?? 0, m.start);
    // "answers Wednesday, replies Sunday, both at 23:59"
    if (m.date === undefined && m.weekday === undefined) {
      if (/(?<![\p{L}])(?:both|each|all|either)(?: \p{L}+)?(?: at| by)?\s*$/iu.test(between)) {
        for (const c of found) c.time ??= m.time;
      }
      return;
    }
    // "… close on Tuesday; responses on Thursday": the second says no word of its own.
    const follows = last !== undefined && found.length > 0 && between.length < 60 && !/[.!?]/u.test(between);
    if (!isDeadline(s, m, last, follows)) return;
    const span = { start: s.start + m.start, end: s.start + m.end };
    const before = s.text.slice(clauseAt(s.text, m.start).start, m.start);
    const after = s.text.slice(m.end, clauseAt(s.text, m.end).end);
    if (THE_REST.test(before.slice(-60)) || /^\s*for (?:everything else|the rest)/iu.test(after)) {
      found.push({ ...m, ...span, who: 'replies', weak: false, sure: true });
      return;
    }
    const name = ALL_OF_IT.test(before) || ALL_AFTER.test(after) ? 'both' : nameOf(s, m, last, next);
    if (name === 'both') found.push({ ...m, ...span, who: 'both', weak: false, sure: true });
    else if (name) found.push({ ...m, ...name, ...span, sure: true });
    else if (
      EVERYTHING.test(before) ||
      EVERYTHING.test(after.slice(0, 50)) ||
      EVERYTHING.test(s.question ?? '')
    ) {
      found.push({ ...m, ...span, who: 'both', weak: false, sure: true });
    } else {
      const address = addresses(s, Math.max(0, m.start - 1));
      found.push({ ...m, ...span, who: address.sure ? address.who : null, weak: true, sure: address.sure });
    }
  });
  return found;
}

const settle = (who: Who, c: Candidate): Found =>
  (['weekday', 'date', 'time'] as const).flatMap((key): Finding[] => {
    const value = c[key];
    const confidence = c.sure ? 0.95 : 0.75;
    return value === undefined
      ? []
      : [{ fact: `due.${who}.${key}`, value, start: c.start, end: c.end, confidence }];
  });

const keyOf = (c: Candidate) => `${c.weekday ?? ''} ${c.date ?? ''} ${c.time ?? ''}`;
const differ = (all: Candidate[]) => new Set(all.map(keyOf)).size > 1;
const best = (all: Candidate[]) =>
  [...all].sort(
    (a, b) => Number(b.time !== undefined) - Number(a.time !== undefined) || Number(b.sure) - Number(a.sure),
  )[0];

/**
 * The deadlines. One that is not said to be for either stands for both where replies are asked for; of two that are
 * not told apart by name, the first is the response's and the last the replies'.
 *
 * @example "Post by Thursday, reply by Sunday." gives two facts, one for each
 */
export function deadlines(outline: Outline, addresses: Addresses, repliesAsked: boolean): Found {
  const all = outline.sentences.flatMap((s) => candidatesIn(s, addresses));
  const both = best(all.filter((c) => c.who === 'both'));
  let forReplies = all.filter((c) => c.who === 'replies');
  let forResponse = all.filter((c) => c.who === 'response' || c.who === null);
  const first = forReplies[0];
  if (first?.weak && !both && forResponse.length === 0 && differ(forReplies)) {
    forResponse = [first];
    forReplies = forReplies.slice(1);
  } else if (repliesAsked && !both && forReplies.length === 0 && differ(forResponse)) {
    forReplies = forResponse.slice(-1);
    forResponse = forResponse.slice(0, -1);
  }
  const open = best(all.filter((c) => c.who === null));
  const onlyReplies = !both && forReplies.length > 0 && forResponse.length === 0;
  const response = best(forResponse) ?? both;
  const replies = best(forReplies) ?? both ?? open;
  return [
    ...(response && !onlyReplies ? settle('response', response) : []),
    ...(replies && repliesAsked ? settle('replies', replies) : []),
  ];
}
