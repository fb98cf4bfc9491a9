import type { Found } from '../findings';
import type { Outline } from '../outline/types';
import { ELSEWHERE } from '../vocabulary';
import { latin } from '../pattern';

/* What happens to what comes late, and whether classmates' posts are sealed. */

const CUE = latin(
  /(?<![\p{L}])(?:out of time|late(?:ness|ly|comers)?|later(?! (?:in|than|this|on in))|overdue|tardy|past (?:the )?(?:deadline|due)|after (?:the|that|those|this|these|either|each|it)(?: \p{L}+){0,2} ?(?:deadlines?|times?|dates?|cut-?off|closes?|closed|hour|point|moment|then)?|miss(?:ed|ing)? (?:the |a |either |your |that )?(?:deadline|mon|tues|wednes|thurs|fri|satur|sun|date|cut)\p{L}*|missed it|what['’]?s missing|or (?:it|they) (?:is|are|does|do)n['’]t|what isn['’]t there|after which|stays (?:closed|shut)|reopen(?:ed)?|lock|frozen|locked|locks|extensions?|(?:arriv|turn|com|post|submitt|hand)\p{L}* (?:up |in )?(?:after|past|late)|deadline (?:is|means)|after (?:mon|tues|wednes|thurs|fri|satur|sun)day|what comes (?:later|after)|once (?:the|it) \p{L}* ?(?:closes|shut|has passed)|when (?:the|it) \p{L}* ?closes)(?![\p{L}])/iu,
);
const NO_LOSS = latin(
  /(?<![\p{L}])(?:no (?:late )?penalt(?:y|ies)|without (?:a )?penalt(?:y|ies)|nothing (?:is|will be) (?:taken off|deducted|lost)|no (?:marks|points) (?:are |will be )?(?:lost|taken|deducted)|not (?:be )?penali[sz]ed|no deduction|full (?:marks|credit|points)|costs? (?:you )?nothing|los(?:e|es) nothing|(?:nobody|no one) (?:will )?loses?|does(?:n['’]t| not) cost)/iu,
);
const PENALTY = latin(
  /(?<![\p{L}])(?:deduct\p{L}*|los(?:e|es|ing|t)|penal(?:ty|ties|i[sz]ed|i[sz]e)|\d+ ?%|per ?cent|half (?:the )?(?:marks?|credit|points?|value)|halve[ds]?|capped|cap(?= (?:of|at))|(?:letter )?grade (?:step|per|lower|down)|(?:one|a|two) (?:letter |full |whole )?(?:grade|mark|point|step|notch)s?(?: \p{L}+)? (?:per|lower|down|less|off|each|for each|a day|for every)|one (?:letter )?grade|costs? (?:you )?(?:a|one|two|\d)|(?:marks?|points?) (?:off|less|fewer|per day|each day|a day|for each)|taken off|reduced|drops? (?:one|a|by)|worth half|at most (?:half|\d)|(?:points?|marks?) (?:\p{L}+ ){0,4}(?:is|are) (?:gone|lost)|takes? (?:off )?(?:one|two|three|five|ten|\d+) (?:points?|marks?)|partial credit|reduced credit|no more than (?:half|\d+ ?(?:%|points|marks)))/iu,
);
const REFUSED = latin(
  /(?<![\p{L}])(?:not (?:be )?(?:accepted|marked|graded|counted|read|assessed|considered|scored|taken)|(?:won|can|don|isn|aren|doesn|wouldn)['’]t (?:be )?(?:accept|mark|grad|count|read|assess|consider|score|take|get a mark|reopen|earn|open|look|add)\p{L}*|(?:cannot|will not|do not|does not) (?:be )?(?:accept|mark|grad|count|read|reopen|take|earn|look|add)\p{L}*|no (?:late|exceptions?|credit|marks?|points?|extensions?)(?! penalt)|zero|frozen|nothing (?:\p{L}+ )?(?:can be|is|will be) (?:added|posted|accepted|counted|marked|graded|read)|not done|(?:thread|board|forum|discussion|room) (?:is|will be|gets) (?:locked|frozen)|stays (?:closed|shut)|not been made|can(?:no|['’])t be made up|not (?:given|granted)|can(?:no|['’])t give|not be reopened|(?:is|becomes|goes) read[- ]only|(?:earns?|scores?|gets?|receives?|worth) (?:nothing|zero|no)|refused|reject\p{L}*|never (?:accept|count|read)\p{L}*|nor (?:accepted|marked)|late ?[=:] ?0(?!\d)|ignored|unmarked|ungraded)/iu,
);
const ACCEPTED = latin(
  /(?<![\p{L}])(?:accept(?:ed|s|able)?|still (?:be )?(?:read|marked|counts?|counted|graded|accepted|welcome|fine|worth)|not a problem|no problem|(?:is|are|that['’]s|it['’]s) (?:fine|ok|okay|welcome|all right)|as (?:normal|usual)|better late|post (?:it )?(?:anyway|all the same)|(?:marked|read|counted|graded) like any other|don['’]t worry|count(?:s)? (?:the same|in full|as normal)|taken (?:in full|all term|any time))/iu,
);

/**
 * What happens to late work, where the text says so.
 * @example "No late work." gives one fact, `refused`
 */
export function lateRule(outline: Outline): Found {
  const { sentences } = outline;
  for (const s of sentences) {
    const cue = CUE.exec(s.text);
    const asked = s.question !== null && /late|miss/iu.test(s.question);
    const free =
      NO_LOSS.test(s.text) &&
      !/full (?:marks|credit|points)/iu.test(s.text) &&
      /day|late|week|time/iu.test(s.text);
    if (!cue && s.section.topic !== 'late' && !asked && !free) continue;
    if (s.heading || ELSEWHERE[0].test(s.text) || ELSEWHERE[1].test(s.text)) continue;
    if (s.section.topic === 'context') continue;
    const next = sentences[s.index + 1];
    if (asked && /^no(?![\p{L}])/iu.test(s.text) && !NO_LOSS.test(s.text)) {
      return [{ fact: 'late', value: 'refused', start: s.start, end: s.end, confidence: 0.8 }];
    }
    const said = [s.text, ...(next && next.paragraph === s.paragraph ? [`${s.text} ${next.text}`] : [])];
    for (const text of said) {
      const value = NO_LOSS.test(text)
        ? 'accepted'
        : PENALTY.test(text)
          ? 'penalty'
          : REFUSED.test(text)
            ? 'refused'
            : ACCEPTED.test(text)
              ? 'accepted'
              : null;
      if (value)
        return [
          {
            fact: 'late',
            value,
            start: s.start,
            end: text === s.text ? s.end : (next?.end ?? s.end),
            confidence: cue || asked ? 0.85 : 0.75,
          },
        ];
    }
  }
  return [];
}

const OTHERS_WORK =
  '(?:(?:other|fellow|the rest of the) (?:people|students?|class|learners?|participants?)?|others|class-?mates?|peers?|(?:every|any)(?:one|body)(?: else)?|the (?:rest|others|class|group|thread|board|forum|discussion|conversation|page)|this (?:board|thread|forum|discussion|page)|(?:anything|what) (?:\\p{L}+ ){0,3}?(?:else|others|the rest)|posts?|threads?|answers?|responses?|contributions?|entries|board|forum|it|nothing)';
const OWN_FIRST =
  "(?:you(?: have|[’']ve|r own| post| share| submit| add| put| give| contribute| write| publish)|your (?:\\p{L}+ ){0,2}?(?:post|answer|response|contribution|entry|description|thread|piece|own|turn|message|note)|yours|posting|sharing|submitting|contributing|have posted|posted)";
const SEALED = [
  latin(
    new RegExp(
      `(?<![\\p{L}])(?:can(?:no|['’])t|cannot|won['’]t|will not|unable|not be able|not (?:visible|see|be shown)|hidden|invisible|locked|closed to you|sealed|no one can|nobody can|none of you can|nobody['’]s \\p{L}+ can|don['’]t see|do not see|(?:see|shows?)(?: you)? (?:nothing|only|an empty)|blind)(?:(?!\\.\\s).){0,120}?(?<![\\p{L}])(?:until|before|unless|till|without)(?![\\p{L}])(?:(?!\\.\\s).){0,60}?${OWN_FIRST}`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?<![\\p{L}])(?:until|before|unless|till) (?:(?!\\.\\s).){0,60}?${OWN_FIRST}(?:(?!\\.\\s).){0,80}?(?:can(?:no|['’])t|cannot|won['’]t|will not|hidden|invisible|locked|see (?:nothing|only|an empty))`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `${OTHERS_WORK}[^.]{0,60}?(?<![\\p{L}])(?:opens?(?: up)?|become[s]?(?: \\p{L}+)? (?:visible|readable|available)|appears?|unlocks?|shows? up|(?:is|are|will be) (?:shown|visible|revealed|released|unlocked|opened|readable)|reveals?|can be (?:read|seen|viewed))(?![\\p{L}])[^.]{0,40}?(?:only |as soon as|once|after|when|the moment|until)[^.]{0,50}?(?:${OWN_FIRST}|that|then|this)`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:once|after|as soon as|when|the moment|only after|only when) (?:\\p{L}+ ){0,4}?${OWN_FIRST}[^.]{0,60}?(?:you(?:['’]ll| will)? (?:be able to |then )?(?:can )?(?:see|read|view)|(?:open|unlock|appear|become visible|be visible|reveal|show)s?)[^.]{0,40}?${OTHERS_WORK}`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:once|after|as soon as|when|the moment) (?:\\p{L}+ ){0,4}?${OWN_FIRST}[^.]{0,40}?(?:every(?:body|one) else|others|the others|other people|classmates|the rest)[^.]{0,30}?(?:open|unlock|appear|visible|reveal|show)`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:nobody|no one|none)[^.]{0,60}?(?:opened|read|seen|visible|shown)[^.]{0,40}?(?:before|until)[^.]{0,40}?(?:your own|yours|you have|you['’]ve)`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `shows? you (?:other|the others|everybody|everyone|your classmates)[^.]{0,40}?(?:as soon as|once|when|after)[^.]{0,20}?(?:${OWN_FIRST})`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:able to|can|may|will|[’']ll) (?:read|see|view|open)[^.]{0,40}? (?:only (?:when|after|once)|once|as soon as|(?<=(?:others|classmates|peers|everyone|every(?:body|one) else)\\P{L}[^.]{0,40})after)[^.]{0,20}?(?:${OWN_FIRST})`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:can|may) be (?:read|seen|viewed|opened)[^.]{0,30}? until [^.]{0,30}?(?:written|posted|shared|submitted|contributed)`,
      'iu',
    ),
  ),
  latin(
    new RegExp(
      `(?:only |must |have to |['’]ll have to |need to )[^.]{0,50}?(?:post|submit|share|answer)[^.]{0,40}?(?:first|before)[^.]{0,80}?(?:see|read|view|visible|open|unlock|shown|appear|reveal)`,
      'iu',
    ),
  ),
];
const HIDDEN = /(?:invisible|hidden|not visible|out of sight|can(?:no|['’])t (?:see|read)|closed to you)/iu;
const OPENS_WHEN = latin(
  new RegExp(
    `(?:appear|open|unlock|visible|shown|show up|see|read)[^.]{0,30}?(?:when|once|after|as soon as)[^.]{0,20}?${OWN_FIRST}`,
    'iu',
  ),
);
const NOT_SEALED = latin(
  /(?<![\p{L}])(?:you (?:may|can|are free to) (?:read|see|look)[^.]{0,40}before|already (?:open|visible)|not (?:sealed|hidden))/iu,
);

/**
 * Whether classmates' posts open only after one's own is shared.
 * @example "You will see other posts only after you have posted." gives `{ fact: 'sealed', value: true, … }`
 */
export function sealing(outline: Outline): Found {
  for (const s of outline.sentences) {
    if (NOT_SEALED.test(s.text) || ELSEWHERE[0].test(s.text)) continue;
    const next = outline.sentences[s.index + 1];
    // "Your classmates' posts are invisible. They appear when you have shared yours."
    if (next && HIDDEN.test(s.text) && OPENS_WHEN.test(next.text)) {
      return [{ fact: 'sealed', value: true, start: s.start, end: next.end, confidence: 0.8 }];
    }
    for (const pattern of SEALED) {
      const m = pattern.exec(s.text);
      if (!m) continue;
      return [
        {
          fact: 'sealed',
          value: true,
          start: s.start + m.index,
          end: s.start + m.index + m[0].length,
          confidence: 0.85,
        },
      ];
    }
  }
  return [];
}
