import type { Addresses } from '../address';
import { finding, type Found } from '../findings';
import { isAsked, isRuledOut } from '../modality';
import type { Outline, Sentence } from '../outline/types';
import { quantitiesOf } from '../quantities';
import { REPLY_VERB } from '../vocabulary';
import { every, latin, whole } from '../pattern';

/* How a text must go about it: its title, an own example, a question at its end, the classmate's name. */

const QUOTED = '[“"‘\'](?<title>[^”"’\n]{2,120})[”"’\']';
const TITLES = [
  latin(
    new RegExp(
      `(?:titled?|call(?:ed)?|head(?:ed)?|entitled|named|labell?ed|subject(?: line)?|heading|title)(?:[^.“"‘\\n]{0,40}?)(?:is|as|it|be|to|:|your (?:post|thread)|exactly)?\\s*${QUOTED}`,
      'giu',
    ),
  ),
  latin(
    new RegExp(
      `(?:put|type|write|use|place|enter|give|with)\\s+(?:the (?:words?|title|heading) )?${QUOTED}\\s+(?:in|into|as|for) (?:the|your|its|a) (?:\\p{L}+ ){0,2}(?:subject|title|heading|headline|top line)`,
      'giu',
    ),
  ),
  /(?:subject line|subject|title|heading)(?: of (?:my|your|the) (?:post|thread|response))? (?:is|must be|should be|reads?|must read|should read|says?|must say|should say)(?: exactly)?\s*:?\s+(?<title>\p{Lu}[^.“"\n]{2,80}?)(?=[.;]|$)/gu,
  /(?:subject line|title)\s*(?: is| exactly)?\s*(?: is)?(?: exactly)?\s*:\s+(?<title>\p{Lu}[^.“"\n|]{2,80}?)(?=[.;|]|$)/gu,
];

function titlesIn(s: Sentence): Found {
  for (const pattern of TITLES) {
    for (const m of s.text.matchAll(pattern)) {
      const title = m.groups?.title?.trim().replace(/[,.;]$/u, '');
      if (
        !title ||
        !isAsked(s, m.index) ||
        /(?:chapter|article|reading|video|film|book|lecture|section|poem|episode)\s+(?:is\s+)?(?:called|titled|entitled|named|headed)/iu.test(
          s.text.slice(Math.max(0, m.index - 25), m.index + 25),
        )
      )
        continue;
      return [
        {
          fact: 'response.title',
          value: title,
          start: s.start + m.index,
          end: s.start + m.index + m[0].length,
          confidence: 0.9,
        },
      ];
    }
  }
  return [];
}

const HAPPENING =
  '(?:examples?|experiences?|incidents?|cases?|occasions?|times?|situations?|instances?|anecdotes?|near miss(?:es)?|moments?|stor(?:y|ies)|memor(?:y|ies)|episodes?|encounters?|events?|conversations?|mistakes?|days?|place|decisions?|accidents?|injur(?:y|ies)|conflicts?|failures?|problems?|errors?|disagreements?|habits?|journeys?|trips?|visits?|projects?|patients?|clients?|lessons?|shifts?)';
const OWN_LIFE = [
  every(
    `(?:your|my|their) own (?:\\p{L}+ ){0,2}?(?:${HAPPENING}|lif(?:e|es)|practice|work(?:place)?|teaching|placement|childhood|family|classroom|job|career|kitchen|town|community)`,
  ),
  every(`(?:personal|real[ -](?:life|world)|first-?hand|lived) (?:\\p{L}+ )?(?:${HAPPENING})`),
  every(
    `(?:a|an|one|any|some|two) (?:\\p{L}+ ){0,3}?${HAPPENING},? (?:[\\p{L},]+ ){0,8}?(?:when|where|in which|that|which|of when)? ?(?:you|I)(?:['’]ve|['’]d)? (?:yourself |myself |personally |have |['’]ve |once |had |really |actually )*(?:saw|seen|had|have|were|was|felt|met|made|did|witnessed|experienced|faced|lived|followed|dealt|worked|used|heard|noticed|remember|encountered|observed|changed|learned|tried|got|lost|found|went|visited|took|been|watched|said|told|asked|refused|gave|could|tried|built|used|broke|failed)`,
  ),
  every(`(?:a|an|one) (?:\\p{L}+ ){0,2}?${HAPPENING} (?:\\p{L}+ ){0,3}?of yours`),
  every(
    `(?:an?|one) (?:example|case|instance) (?:from|of|at) (?:\\p{L}+ ){1,4}?you (?:know|use|visit|work|live)`,
  ),
  every(
    `(?:something |anything |(?:a|an|one|some) (?:\\p{L}+ ){1,3}?)(?:that |which )?you(?:['’]ve| have) (?:\\p{L}+ed|seen|met|had|done|been|felt|known|heard|made|kept|lost|found|taught|built) (?:\\p{L}+ ){0,2}?(?:yourself|personally)`,
  ),
  every(`(?:a |an )?real (?:case|example|incident|situation|event|story)s?(?=,? (?:from|of|you|that|in))`),
  every(`you(?:['’]ve| have)? (?:yourself |personally )?(?:witnessed|experienced|lived through|encountered)`),
  every(
    `(?:a|an|one) (?:\\p{L}+ ){0,3}?(?:${HAPPENING}) from (?:(?:your|a recent) (?:\\p{L}+ ){0,2}(?:lif(?:e)|work(?:place)?|experience|practice|placement|shift|job|family|childhood|community|teaching|classroom|clinic|ward|career|day|week)|real life|life|work|home)`,
  ),
];
const ASKS_FOR_IT = latin(
  /(?<![\p{L}])(?:describ(?:e|es|ed|ing)|post|told|hear|read about|learn|tell|giv(?:e|ing)|shar(?:e|ing)|draw|us(?:e|ing)|connect|includ(?:e|ing)|offer|recall|recount|illustrat|support|bring|provid|with|from|relat|explain|choose|pick|think|start|begin|report|link|name|take|add|reflect|narrate|discuss|write)/iu,
);

function examplesIn(s: Sentence, addresses: Addresses): Found {
  for (const pattern of OWN_LIFE) {
    for (const m of s.text.matchAll(pattern)) {
      if (
        !isAsked(s, m.index) ||
        isRuledOut(s, m.index) ||
        !ASKS_FOR_IT.test(s.text.slice(0, m.index + m[0].length))
      )
        continue;
      const who = addresses(s, m.index);
      if (who.who !== 'response') continue;
      return [
        finding(
          who,
          'example',
          true,
          { start: s.start + m.index, end: s.start + m.index + m[0].length },
          0.8,
        ),
      ];
    }
  }
  return [];
}

const REPLYING = whole(REPLY_VERB);
const ASKING = every(
  `(?:(?:last|final|closing) (?:sentence|line|words?)(?: \\p{L}+){0,2} (?:is|be|being|are)|ask(?:ed|s|ing)?|pos(?:e|es|ing)|end(?:s|ing)?(?: \\p{L}+){0,3} (?:with|on|by|in)|clos(?:e|es|ing)(?: \\p{L}+){0,3} (?:with|by)|finish(?:es|ing)?(?: \\p{L}+){0,3} (?:with|by)|conclud(?:e|es|ing)(?: \\p{L}+){0,3} with|put(?:ting)?|includ(?:e|es|ing)|rais(?:e|es|ing)|add(?:ing)?|with|leav(?:e|es|ing)|contain(?:s|ing)?|offer|return|needs?|requires?|has|have|must have)(?: (?!(?:answer|about)\\b)[\\p{L}\\d]+){0,5}? (?<n>a|an|one|another|at least one|two|at least two|three|your own)(?: [\\p{L}-]+){0,3}? (?:questions?|thing back)(?! (?:sheet|bank|paper|mark|\\d|above|below|from the))`,
);

function questionsIn(s: Sentence, addresses: Addresses): Found {
  for (const m of s.text.matchAll(ASKING)) {
    if (!isAsked(s, m.index) || isRuledOut(s, m.index)) continue;
    const counted = quantitiesOf(m[0], '(?:(?!words?|sentences?)[\\p{L}-]+ ){0,2}?questions?')[0];
    // Asking the others is what a first post does too; only where a reply is being told of is it the reply's.
    const address = addresses(s, m.index);
    const around = s.text.slice(m.index, m.index + m[0].length + 25);
    const toAll =
      /(?<![\p{L}])the (?:other side|class|group|others|rest|room|forum|opposition)(?![\p{L}])/iu.test(
        around,
      );
    const who =
      address.who === 'replies' && toAll && s.section.who !== 'replies' && !REPLYING.test(s.text)
        ? { who: 'response' as const, sure: false }
        : address;
    return [
      finding(
        who,
        'question.min',
        counted?.min ?? 1,
        { start: s.start + m.index, end: s.start + m.index + m[0].length },
        0.85,
      ),
    ];
  }
  // An item of a list, or of an enumeration after a colon: "Your post: 200 words, one question for the group."
  const alone = /(?:^|: (?:[^.;:]*, )?)(?:an?|one|at least one) (?:\p{L}+ ){0,2}question(?![\p{L}])/iu.exec(
    s.text,
  );
  if (alone && (s.marker !== null || alone.index > 0) && isAsked(s, alone.index)) {
    return [
      finding(
        addresses(s, alone.index + alone[0].length - 1),
        'question.min',
        1,
        { start: s.start + alone.index, end: s.start + alone.index + alone[0].length },
        0.75,
      ),
    ];
  }
  return [];
}

const BY_NAME = every(
  `by (?:their (?:first )?|first )?names?|(?:us(?:e|ing)|start(?:ing)?(?: \\p{L}+){0,2} with|begin(?:ning)?(?: \\p{L}+){0,2} with|open(?:ing)?(?: \\p{L}+){0,2} with|includ(?:e|ing)|mention(?:ing)?|say(?:ing)?) (?:that person|(?:the|your|each|a) (?:\\p{L}+ ){0,2}?(?:person|classmate|peer|student|author|writer|colleague|partner)|their|his or her|the person you (?:answer|are answering))(?:['’]s|s['’])? (?:first )?names?|name the (?:person|classmate|student) you`,
);

function greetingsIn(s: Sentence, addresses: Addresses): Found {
  for (const m of s.text.matchAll(BY_NAME)) {
    const before = s.text.slice(0, m.index);
    if (!isAsked(s, m.index) || isRuledOut(s, m.index)) continue;
    if (/(?:authorit|source|concept|theor|author)\p{L}* $/iu.test(before)) continue;
    if (addresses(s, m.index).who !== 'replies') continue;
    return [
      {
        fact: 'replies.greetByName',
        value: true,
        start: s.start + m.index,
        end: s.start + m.index + m[0].length,
        confidence: 0.85,
      },
    ];
  }
  return [];
}

/**
 * Titles, own examples, questions and greetings that are asked for.
 * @example "Give your post a title." gives one fact
 */
export const manner = (outline: Outline, addresses: Addresses): Found =>
  outline.sentences.flatMap((s) => [
    ...titlesIn(s),
    ...examplesIn(s, addresses),
    ...questionsIn(s, addresses),
    ...greetingsIn(s, addresses),
  ]);
