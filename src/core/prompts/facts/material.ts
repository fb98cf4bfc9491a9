import type { Addresses } from '../address';
import { finding, type Found } from '../findings';
import { isAsked, isRuledOut, standsAlone } from '../modality';
import { NUMBER, valueOf } from '../numbers';
import { clauseAt } from '../outline';
import { type Outline, type Sentence } from '../outline/types';
import { quantitiesOf } from '../quantities';
import { CITING, CONCEPT, OF_THE_COURSE, SOURCE, SURE_SOURCE, USING } from '../vocabulary';
import { every, latin, whole } from '../pattern';

/* What a text must bring along: sources, quotations, course ideas, pictures and files. */

const LOOSE = "(?:(?!(?:to|in|on|for|and|or|by|at|from|which|that|who|words?)\\s)[\\p{L}’'-]+\\s+){0,4}?";
const CITES = whole(CITING);
const USES = whole(USING);
const SURE = whole(`${SURE_SOURCE}$`);
const READ_ONLY = latin(
  /(?<![\p{L}])(?:read|watch|choose|pick|select|compare|summari[sz]e|skim|find|review)(?![\p{L}])[^,;.]{0,30}$/iu,
);
const TO_CITE = latin(
  /(?<![\p{L}])(?:cit(?:e|ing)|us(?:e|ing)|refer(?:ring)?|with|support(?:ing|ed)?|back(?:ing|ed)?|quot(?:e|ing)|includ(?:e|ing)|draw(?:ing)?|introduc\p{L}*|defend\p{L}*)(?![\p{L}])/iu,
);
const ONE_SOURCE = every(
  `(?:cit(?:e|ing)|refer(?:ring)? to|support(?:ed|ing)?(?: \\p{L}+){0,4} (?:with|by)|back(?:ed|ing)?(?: \\p{L}+){0,4} (?:with|by)|includ(?:e|ing)|with|add(?:ing)?|us(?:e|ing)|provide|quot(?:e|ing)) (?:a|an|another) (?:\\p{L}+[ -]){0,2}?(?:source|reference|citation|article|study)(?![\\p{L}])`,
);

const ITEM_SOURCE = latin(
  new RegExp(
    `(?:^|[,;] )(?:a|an|one) (?:(?:short|full|scholarly|peer-reviewed|academic) )?(?:reference|citation|source)(?![\\p{L}])`,
    'iu',
  ),
);

function sourcesIn(s: Sentence, addresses: Addresses): Found {
  const counted = quantitiesOf(
    s.text,
    `${LOOSE}(?:of (?:the |this |our |your )?(?:\\p{L}+['’]?s? ){0,2})?(?:${SOURCE})`,
  ).flatMap((q): Found => {
    const before = s.text.slice(0, q.start);
    if (!isAsked(s, q.start) || isRuledOut(s, q.start)) return [];
    if (READ_ONLY.test(before) && !TO_CITE.test(before.slice(-40))) return [];
    if (
      !SURE.test(q.unitText) &&
      !CITES.test(before) &&
      !standsAlone(s, q.start, q.unitEnd) &&
      !/(?:cited|referenced|quoted|used)/iu.test(s.text.slice(q.unitEnd, q.unitEnd + 60))
    )
      return [];
    if (/choos|compar|differ/iu.test(before.slice(-20))) return [];
    const n = q.min ?? q.max ?? 1;
    return [
      finding(
        addresses(s, q.start),
        'sources.min',
        n,
        { start: s.start + q.start, end: s.start + q.unitEnd },
        0.9,
      ),
    ];
  });
  if (counted.length) return counted;
  const alone = ITEM_SOURCE.exec(s.text);
  if (alone && s.marker && isAsked(s, alone.index)) {
    const to = quantitiesOf(s.text, `${LOOSE}(?:${SOURCE})`)[0];
    return [
      finding(
        addresses(s, alone.index),
        'sources.min',
        to?.min ?? 1,
        { start: s.start + alone.index, end: s.start + alone.index + alone[0].length },
        0.75,
      ),
    ];
  }
  return [...s.text.matchAll(ONE_SOURCE)]
    .filter((m) => isAsked(s, m.index) && !isRuledOut(s, m.index))
    .map((m) =>
      finding(
        addresses(s, m.index),
        'sources.min',
        1,
        { start: s.start + m.index, end: s.start + m.index + m[0].length },
        0.75,
      ),
    );
}

const QUOTING = latin(/(?<![\p{L}])(?:quot(?:e|es|ing)|cop(?:y|ies|ying) out)(?![\p{L}])/iu);
const QUOTATIONS =
  '(?:(?:direct|short|brief|exact|verbatim|different|textual|word-for-word)\\s+){0,2}(?:quot(?:ations?|es?)|quoted (?:lines?|sentences?|passages?))';
const QUOTED_AFTER = /^[^.;]{0,40}(?:quoted|word for word|verbatim|in quotation marks)/iu;
const QUOTED_PIECE =
  '(?:(?:short|exact|full|different|whole)\\s+){0,2}(?:sentences?|lines?|passages?|phrases?|verses?|stanzas?)';
const ONE_QUOTE = every(
  'quot(?:e|es|ing) (?:\\p{L}+,? ){0,2}?(?:a|an|the|one|some|any|this|that|your) (?:(?:exact|specific|single|short|particular|own) )?[\\p{L}-]+|(?:include|use|with|give|containing|contain|add|open with|begin with|start with) (?:a|one) (?:\\p{L}+ ){0,2}?quot(?:ation|e)|copy (?:out )?(?:the|a|one) (?:\\p{L}+ ){0,2}(?:line|sentence|passage|phrase)|quote (?:it|them|from (?:it|their|the|his|her|your (?:partner|classmate|peer))|something|directly|back|your (?:partner|classmate|peer|colleague)|the (?:author|person|writer|classmate|line))',
);

/** "Quote Marlow at least twice" */
const QUOTED_TIMES = latin(
  new RegExp(
    `(?<![\\p{L}])quot(?:e|es|ing) (?:(?:from )?[\\p{L}’'-]+ ){1,4}?(?:at least |no fewer than )?(?<n>once|twice|${NUMBER} times)(?![\\p{L}])`,
    'iu',
  ),
);

function quotesIn(s: Sentence, addresses: Addresses): Found {
  const places = [
    ...quantitiesOf(s.text, QUOTATIONS),
    ...quantitiesOf(s.text, QUOTED_PIECE).filter(
      (q) =>
        QUOTED_AFTER.test(s.text.slice(q.unitEnd)) &&
        /(?:^|(?:includ|quot|with|contain|add|giv|us|put)\p{L}*(?: \p{L}+){0,3}\s+)$/iu.test(
          s.text.slice(clauseAt(s.text, q.start).start, q.start).trimStart(),
        ),
    ),
    ...quantitiesOf(s.text, '[\\p{L}-]+(?: of (?:the|a|this) \\p{L}+)?').filter((q) =>
      /^,? (?:each |all |both )?quoted/iu.test(s.text.slice(q.unitEnd)),
    ),
    ...(QUOTING.test(s.text)
      ? quantitiesOf(s.text, QUOTED_PIECE).filter((q) =>
          QUOTING.test(s.text.slice(Math.max(0, q.start - 60), q.start)),
        )
      : []),
  ].filter((q) => isAsked(s, q.start) && !isRuledOut(s, q.start));
  const ones = [...s.text.matchAll(ONE_QUOTE)]
    .filter((m) => isAsked(s, m.index) && !isRuledOut(s, m.index))
    .map((m) =>
      finding(
        addresses(s, m.index),
        'quotes.min',
        1,
        { start: s.start + m.index, end: s.start + m.index + m[0].length },
        0.8,
      ),
    );
  const times = QUOTED_TIMES.exec(s.text);
  if (times?.groups?.n && isAsked(s, times.index) && !isRuledOut(s, times.index)) {
    const { n } = times.groups;
    const span = { start: s.start + times.index, end: s.start + times.index + times[0].length };
    const min = /^once$/iu.test(n) ? 1 : /^twice$/iu.test(n) ? 2 : valueOf(n.replace(/ times$/iu, ''));
    return [finding(addresses(s, times.index), 'quotes.min', min, span, 0.85)];
  }
  const many = places.sort((a, b) => (b.min ?? 0) - (a.min ?? 0))[0];
  if (many && !(many.max !== undefined && many.min === undefined)) {
    const first = finding(
      addresses(s, many.start),
      'quotes.min',
      many.min ?? 1,
      { start: s.start + many.start, end: s.start + many.unitEnd },
      0.9,
    );
    return [first, ...ones.filter((f) => f.fact !== first.fact)];
  }
  return ones.slice(0, 1);
}

/** "two key ideas from the unit", "three terms", "at least two hazard classes from the chapter". */
const NAMED_CONCEPT = `${LOOSE}(?:of (?:the|this|our|your) (?:\\p{L}+ ){0,2}?)?(?:${CONCEPT})`;
const COURSE_THING = `(?:\\p{L}+ ){1,3}?${OF_THE_COURSE}`;
const LIST_OF_TERMS = every(
  `(?:terms?|concepts?|ideas|principles|the words)[:]? (?<list>(?:[“"'‘]?\\p{L}[\\p{L}-]*(?: [\\p{L}-]+){0,2}[”"'’]?, )+(?:[“"'‘]?[\\p{L}-]+(?: [\\p{L}-]+){0,2}[”"'’]? )?and [“"'‘]?[\\p{L}-]+)`,
);
const NOT_A_CONCEPT = whole(
  `${SOURCE}|words?|sentences?|paragraphs?|pages?|minutes?|questions?|people|students?|classmates?|marks?|points?|%|days?|weeks?|posts?|replies|examples?|figures?|tables?|lines?|quotations?|quotes?|problems?|case studies|passages?|options|topics?|texts?|cases?|items?|images?|pictures?|maps?|photos?|characters?|sides?|reasons?|countries|pieces of (?:evidence|data)`,
);

/** "the concepts of opportunity cost and marginal benefit" */
const TWO_TERMS = latin(
  /(?<![\p{L}])(?:terms|concepts|ideas|principles)(?: of)? (?!(?:from|in|and|you|we|that|which|used|of the)\s)[“"‘]?(?:[\p{L}-]+ ){1,3}?and [“"‘]?[\p{L}-]+(?: (?!both|must|need|have|should|and)[\p{L}-]+)?(?<must> (?:both )?(?:must|need to|have to|should) (?:be used|appear|turn up|occur|feature))?/iu,
);
const COURSE = latin(new RegExp(OF_THE_COURSE, 'iu'));
const COURSE_AT_END = latin(new RegExp(`\\s${OF_THE_COURSE}$`, 'iu'));

const ONE_CONCEPT = every(
  `(?:us(?:e|ing)|appl(?:y|ying)|(?:connect|relat|link)(?:e|ing)?(?: \\p{L}+){0,4} (?:to|with)|draw(?:ing)? on|for) (?:a|an|one) (?:\\p{L}+ ){0,2}?(?:${CONCEPT}) ${OF_THE_COURSE}`,
);

function conceptsIn(s: Sentence, addresses: Addresses): Found {
  const asked = (at: number) => isAsked(s, at) && !isRuledOut(s, at);
  for (const m of s.text.matchAll(LIST_OF_TERMS)) {
    if (!asked(m.index) || !USES.test(s.text.slice(0, m.index))) continue;
    const n = (m.groups?.list ?? '').split(/,\s*|\sand\s/u).filter((t) => t.trim()).length;
    const start = s.start + m.index;
    if (n >= 2)
      return [finding(addresses(s, m.index), 'concepts.min', n, { start, end: start + m[0].length }, 0.85)];
  }
  const pair = TWO_TERMS.exec(s.text);
  if (pair && asked(pair.index) && (USES.test(s.text.slice(0, pair.index)) || pair.groups?.must)) {
    return [
      finding(
        addresses(s, pair.index),
        'concepts.min',
        2,
        { start: s.start + pair.index, end: s.start + pair.index + pair[0].length },
        0.75,
      ),
    ];
  }
  for (const unit of [NAMED_CONCEPT, COURSE_THING]) {
    for (const q of quantitiesOf(s.text, unit)) {
      const ours = COURSE.test(s.text.slice(q.start, q.unitEnd + 40));
      const used =
        USES.test(s.text.slice(0, q.start)) ||
        standsAlone(s, q.start, q.unitEnd) ||
        (unit === NAMED_CONCEPT && ours && !READ_ONLY.test(s.text.slice(0, q.start)));
      if (!asked(q.start) || !used) continue;
      if ((q.max !== undefined && q.min === undefined) || (q.min ?? 0) > 12) continue;
      // "which of the two models in unit 6" chooses, and asks for none.
      if (/(?:which|one|either|each|neither) of (?:the )?$/iu.test(s.text.slice(0, q.start))) continue;
      if (unit === COURSE_THING && (q.min ?? 0) < 2) continue;
      if (unit === COURSE_THING && NOT_A_CONCEPT.test(q.unitText.replace(COURSE_AT_END, ''))) continue;
      return [
        finding(
          addresses(s, q.start),
          'concepts.min',
          q.min ?? 1,
          { start: s.start + q.start, end: s.start + q.unitEnd },
          0.85,
        ),
      ];
    }
  }
  return [...s.text.matchAll(ONE_CONCEPT)]
    .filter((m) => asked(m.index))
    .slice(0, 1)
    .map((m) =>
      finding(
        addresses(s, m.index),
        'concepts.min',
        1,
        { start: s.start + m.index, end: s.start + m.index + m[0].length },
        0.7,
      ),
    );
}

/** "Film yourself cooking": so is the clip. */
const FILMED = latin(
  /(?:^|[,;:] |(?<![\p{L}])(?:and|then|please) )(?:film|video|videotape) (?:yourself|your|a|an|one|the)(?![\p{L}])/iu,
);
/** "Photograph a doorway and post it": the picture is made, not named. */
const MADE = latin(
  /(?:^|[,;] |(?<![\p{L}])(?:and|then) )(?:photograph|sketch|draw|snap) (?:a|an|one|your|the|two|it|both)(?![\p{L}])/iu,
);
const PUT_UP = latin(
  /(?<![\p{L}])(?:post|upload|attach|share|put) (?:it|them|both|the (?:result|photo|picture|sketch|drawing)|your)(?![\p{L}])/iu,
);
const MEDIA: Record<string, string> = {
  image:
    '(?:photo(?:graph)?s?|pictures?|images?|sketch(?:es)?|drawings?|diagrams?|screen ?shots?|selfies?|snapshots?|illustrations?|infographics?|memes?|scans?|charts?|maps?)',
  video: '(?:videos?|video (?:clips?|recordings?)|screencasts?|vlogs?)',
  audio:
    '(?:audio(?: (?:clips?|files?|recordings?|notes?|messages?))?|voice (?:memos?|notes?|recordings?|messages?)|sound (?:clips?|files?|recordings?)|(?:audio )?recordings?|podcasts?)',
  link: '(?:links?|urls?|web addresses|hyperlinks?)',
  file: '(?:(?<!(?:audio|video|image|sound|picture) )files?|spreadsheets?|worksheets?|slides?|pdfs?|documents?|workbooks?|slide decks?|attachments?|data ?sets?|posters?)',
};
const BRINGING =
  '(?:includ(?:e|es|ing)|attach(?:es|ing)?|post(?:s|ing)?|upload(?:s|ing)?|past(?:e|es|ing)|add(?:s|ed|ing)?|shar(?:e|es|ing)|submit(?:s|ting)?|insert(?:s|ing)?|embed(?:s|ding)?|provid(?:e|es|ing)|with|accompanied by|illustrat(?:e|ed) (?:\\p{L}+ ){0,3}with|supply|supplies|bring|give|draw|send|put up|hand in|record|make|along with|together with|plus|for|drop|use|photograph|as|(?:must|should) have|need(?: to see)?|want(?: to see)?|like to see|expect)';
const MUST_COME = latin(
  /^[^.;,]{0,40}(?<![\p{L}])(?:(?:is|are) (?:compulsory|required|mandatory|obligatory|essential)|will do|is enough|must (?:be|accompany|come|go)|has to (?:be|go|come)|needs to (?:be|go|come)|should accompany)/iu,
);
const DETERMINED = '(?:an? |the |its |your |their |one |any |some |each |this )';

type MediaGrammar = { kind: string; counted: string; brought: RegExp; pair: RegExp; required: RegExp };
const MEDIA_GRAMMAR = Object.entries(MEDIA).map(([kind, noun]): MediaGrammar => ({
  kind,
  counted: `(?:(?!(?:from|to|of|about|in|on|and|or|for)\\s)[\\p{L}-]+\\s+){0,3}?${noun}`,
  brought: every(
    `${BRINGING} (?:(?:us|me|in|up|at least|also|both|back|here|it|them) |(?:(?!(?:read|watch|choose|the) )[\\p{L}\\d-]+ ){0,8}?and ){0,2}?${DETERMINED}(?:(?!(?:from|to|of|about|in|on|and|or|for|whose|that) )[\\p{L}-]+ ){0,4}?(?:${noun})(?! (?:album|of the reading|above|below|provided|in the))`,
  ),
  pair: latin(new RegExp(`(?<![\\p{L}])${BRINGING} both (?:\\p{L}+ ){0,2}?(?:${noun})(?![\\p{L}])`, 'iu')),
  required: latin(
    new RegExp(
      `(?<![\\p{L}])(?:an? |one |your )(?:(?!(?:from|to|of|in|on|and|or) )[\\p{L}-]+ ){0,3}?(?:${noun})(?![\\p{L}])`,
      'iu',
    ),
  ),
}));
/** Whatever is attached is a file, where no other medium is named. */
const ATTACH_IT = /(?:file|spreadsheet|document|worksheet|workbook)[^.;]{0,30} attach (?:it|them)/iu;
const ATTACHED = latin(/(?<![\p{L}])attach (?:the|your|a|an) (?:\p{L}+ ){0,2}?\p{L}+/iu);
const NAMED_MEDIUM = latin(
  new RegExp(`(?:${MEDIA.image}|${MEDIA.video}|${MEDIA.audio}|${MEDIA.link})`, 'iu'),
);
const BROUGHT_BEFORE = latin(new RegExp(`(?<![\\p{L}])${BRINGING}(?![\\p{L}])[^.;]{0,40}$`, 'iu'));
const LOOKED_AT = /(?:watch|listen to|read|look at|view|compare|choose|study)[^,;.]{0,30}$/iu;
const AS_A_FILE = /as an? (?:pdf|file|document|spreadsheet)/iu;
/** "With the map", "draw the line": what is there already is not to be brought. */
const THERE_ALREADY = /^(?:with|give|make|for|bring|use|draw|as) (?:the|its|their|this|each|your) /iu;
const FOR_A_PIECE = latin(
  /(?:^|[^\p{L}])(?:post|paragraph|words|entry|response|sketch|photo|picture|posts?|image|photograph|drawing|for an?)(?![\p{L}])/iu,
);

function mediumIn(s: Sentence, next: Sentence | undefined, addresses: Addresses, g: MediaGrammar): Found {
  const { kind } = g;
  if (kind !== 'file' && AS_A_FILE.test(s.text)) return [];
  const own = (at: number) => isAsked(s, at) && !isRuledOut(s, at);
  const make = (start: number, end: number, n: number, confidence: number) => [
    finding(
      addresses(s, start),
      `media.${kind}`,
      n,
      { start: s.start + start, end: s.start + end },
      confidence,
    ),
  ];
  for (const q of quantitiesOf(s.text, g.counted)) {
    const before = s.text.slice(clauseAt(s.text, q.start).start, q.start);
    const brought =
      BROUGHT_BEFORE.test(before) ||
      standsAlone(s, q.start, q.unitEnd) ||
      MUST_COME.test(s.text.slice(q.unitEnd));
    if (!own(q.start) || !brought || /^word/iu.test(q.unitText) || LOOKED_AT.test(before)) continue;
    return make(q.start, q.unitEnd, q.min ?? 1, 0.85);
  }
  const pair = g.pair.exec(s.text);
  if (pair && own(pair.index)) return make(pair.index, pair.index + pair[0].length, 2, 0.7);
  for (const m of s.text.matchAll(g.brought)) {
    const end = m.index + m[0].length;
    if (!own(m.index) || !own(end - 1) || THERE_ALREADY.test(m[0])) continue;
    if (
      kind !== 'file' &&
      /^as /iu.test(m[0]) &&
      !/(?:post|upload|shar|attach|submit)\p{L}*(?: \p{L}+){0,4}\s+$/iu.test(s.text.slice(0, m.index))
    )
      continue;
    if (kind !== 'file' && /^(?:give|make|for|bring)/iu.test(m[0]) && !FOR_A_PIECE.test(s.text.slice(0, end)))
      continue;
    return make(m.index, end, 1, 0.8);
  }
  const attached = kind === 'file' ? (ATTACHED.exec(s.text) ?? ATTACH_IT.exec(s.text)) : null;
  if (attached && own(attached.index) && !NAMED_MEDIUM.test(attached[0]))
    return make(attached.index, attached.index + attached[0].length, 1, 0.75);
  const made = kind === 'image' ? MADE.exec(s.text) : null;
  if (made && own(made.index + 1) && PUT_UP.test(`${s.text} ${next?.text ?? ''}`)) {
    return make(made.index, made.index + made[0].length, /both|two/iu.test(made[0]) ? 2 : 1, 0.7);
  }
  const filmed = kind === 'video' ? FILMED.exec(s.text) : null;
  if (filmed && own(filmed.index + 1)) return make(filmed.index, filmed.index + filmed[0].length, 1, 0.7);
  const required = g.required.exec(s.text);
  if (required && own(required.index) && MUST_COME.test(s.text.slice(required.index + required[0].length))) {
    return make(required.index, required.index + required[0].length, 1, 0.85);
  }
  return [];
}

const mediaIn = (s: Sentence, next: Sentence | undefined, addresses: Addresses): Found =>
  MEDIA_GRAMMAR.flatMap((g) => mediumIn(s, next, addresses, g));

/**
 * Sources, quotations, course ideas and media that are asked for.
 * @example "Cite two sources." gives `{ fact: 'response.sources.min', value: 2, … }`
 */
export const material = (outline: Outline, addresses: Addresses): Found =>
  outline.sentences.flatMap((s) => [
    ...sourcesIn(s, addresses),
    ...quotesIn(s, addresses),
    ...conceptsIn(s, addresses),
    ...mediaIn(s, outline.sentences[s.index + 1], addresses),
  ]);
