import { latin } from './pattern';

/*
 * The words of the grammar: how prompts name people, posts, replies and materials, and how they ask for, allow or rule
 * out. Every name here is the source of a piece of a regular expression; the rules put them together.
 */

const anyOf = (...words: string[]) => `(?:${words.join('|')})`;

/** People one may answer. */
export const PERSON = anyOf(
  'class-?mates?',
  'course-?mates?',
  'team-?mates?',
  'group-?mates?',
  'peers?',
  'colleagues?',
  'students?',
  'learners?',
  '\\p{L}*persons?',
  'people',
  'opponents?',
  'members?',
  'participants?',
  'partners?',
  'writers?',
  'authors?',
  'speakers?',
  'others',
  'individuals',
  'neighbou?rs?',
  'friends?',
  'contributors?',
  'candidates?',
  'delegations?',
  'delegates?',
  'teams?',
  'groups?',
  'respondents?',
  'readers?',
);
/** Those who are certainly the others of the class. */
export const CLASSMATE = anyOf(
  '(?:class|course|team|group)-?mates?',
  'peers?(?![- ]review)',
  '(?:fellow|other|another) (?:\\p{L}+ )?(?:students?|learners?|participants?|members?|people|persons?|colleagues?|writers?|authors?|contributors?|delegations?|teams?|groups?|players?|nurses|teachers)',
  'one another',
  'each other',
  '(?:every|any|some)(?:body|one) else',
  'opponents?',
  'colleagues?',
  '(?:other|different) people',
  '(?:to|of|from|on|for|with|against) the (?:other|opposite|opposing) (?:side|team|groups?|half|party|camp)',
);

/** What one shares first, as prompts name it. */
const FIRST = anyOf('initial', 'original', 'main', 'first', 'opening', 'primary', 'own', 'starting');
const PIECE = anyOf(
  'posts?',
  'posting',
  'responses?',
  'contributions?',
  'entr(?:y|ies)',
  'pieces?',
  'notes?',
  'descriptions?',
  'statements?',
  'advice',
  'messages?',
  'threads?',
  'submissions?',
  'answers?',
  'texts?',
  'cases?',
  'arguments?',
  'reflections?',
  'proposals?',
  'pitch(?:es)?',
  'memos?',
  'reviews?',
  'letters?',
  'paragraphs?',
  'reports?',
  'essays?',
  'summar(?:y|ies)',
  'analys[ie]s',
  'critiques?',
  'commentar(?:y|ies)',
  'blog posts?',
);
export const RESPONSE_NAME = anyOf(
  '(?:you|everybody|everyone|each of you) (?:will )?writes?',
  `${FIRST}(?:[ -]\\p{L}+)? ${PIECE}`,
  'first thing you (?:post|write)',
  `(?:your|the|this|my|a|an) (?:\\p{L}+ )?${PIECE}(?= (?:must|should|needs?|has|have|is|are|will|can|may|ought|due|by|to the))`,
  'your (?:\\p{L}+ )?(?:post|piece|note|entry|contribution|statement|thread|submission|paragraph|message|text|reflection|proposal|letter|memo|report|description|response|answer|summary|analysis|argument|position|pitch|review|essay|write-?up|story)',
  '(?<!(?:other|two|three|four|their|of|on|to) )posts?(?= (?:by|due|are due|is due|must|should))',
  'start (?:a|your|one) (?:new )?thread',
  'response to (?:the|this|these|our|each|all|both) (?:prompt|question|case|reading|article|scenario|film|video|topic|task)s?',
);

/** Answering others, as prompts name it. */
export const REPLY_NOUN = anyOf(
  'repl(?:y|ies)',
  'comments?',
  'responses?',
  'rebuttals?',
  'counter-\\p{L}+',
  'follow-?ups?(?: (?:posts?|responses?|questions?))?',
  '(?:peer|feedback) (?:posts?|responses?|reviews?|comments?|repl(?:y|ies))',
  'answers?',
  'reactions?',
  'rejoinders?',
  'feedback',
  'critiques?',
  'interactions?',
);
export const REPLY_VERB = anyOf(
  'repl(?:y|ies|ied|ying)',
  'respond(?:s|ing)?',
  'comment(?:s|ing)?',
  'react(?:s|ing)?',
  'follow(?:ing)? up',
  'engag(?:e|ing) with',
  'feedback',
  'critiqu(?:e|ing)',
  'get back to',
  'writ(?:e|ing) (?:back )?to',
  'interact(?:ing)?',
  'answer(?:s|ed|ing)?',
  'challeng(?:e|ing)',
);
/** A mention of answering others, by whatever word. */
export const REPLY_MENTION = anyOf(
  'repl(?:y|ies|ying)(?! (?:to|with) (?:me|my|the (?:prompt|question|task|case)))',
  '(?:respond|responding|reacting|react)(?! (?:to|with)(?: all| both| each| one| two| three| any| either)?(?: of)? (?:the |this |these |our |my |following )*(?:prompt|question|task|case|topic|scenario|statement|film|video|reading|article))',
  'comment(?:s|ing)?(?! on (?:the|this|these|how|why|what|whether|two (?:aspects|features))(?! (?:posts?|threads?|notes|work|responses|entries|contributions|proposals|others?|other|two|three)))',
  'follow-?ups?',
  'rebuttals?',
  'rejoinders?',
  'per (?:reply|comment|response|follow-?up|peer)',
  'to (?:their|its) (?:authors?|writers?|makers?|owners?)',
  'counter-\\p{L}+',
  'interactions?',
  'in (?:answer|response|reply) to (?:an?|another|one|two|three|four|some|other|at least)',
  'writ(?:e|ing) (?:back )?to (?:at least )?(?:an?|another|one|two|three|four|some|other)',
  `(?:${REPLY_VERB}|find|look for|pick|choose|tell(?:ing)?|help(?:ing)?|ask(?:ing)?|show(?:ing)?|thank|visit|go to|turn to|write to|talk|persuade|convince) (?:to |on |with |for )?(?:at least |exactly |up to )?(?:another|one|two|three|four|five|some|other|a couple of|\\d) (?:\\p{L}+ ){0,2}(?:people|persons?|others?|students?|writers?|authors?|members?|speakers?|of them)`,
  `(?:one|two|three|four|five|\\d) (?:of the |of your )?other (?!(?:sources?|references?|articles?|examples?|reasons?|words?|countries|cases?|readings?|texts?|books?|concepts?|terms?|ideas?|paragraphs?|sentences?|questions?|things?|ways?|factors?|assignments?) ?)\\p{L}+`,
  '(?:second|further) (?:posts?|contributions?|entries)',
  `(?:${REPLY_VERB}) (?:to |on )?(?:at least )?(?:one|two|three|four|five|\\d) (?:other )?(?:posts?|threads?)`,
  `other (?:\\p{L}+ )?(?:${PIECE}|videos?|pictures?|photos?|recordings?|stories|rules?|designs?|choices?|versions?|poems?|ideas?|explanations?|solutions?|examples?|interventions?)`,
  'feedback (?:to|on|for)',
  'feedback (?:is|are) due',
  '(?:peer|feedback) (?:posts?|responses?|reviews?|comments?|feedback)',
  'responses(?! to (?:the|this|these|both|all)? ?(?:question|prompt|task|case))',
  `(?:responses?|answers?|comments?) (?:to|on|for) (?:a |an |at least |no fewer than |one |two |three |four |five |some|another |each |other |your |the )+(?:\\p{L}+ ){0,2}(?:${PERSON}|posts?|threads?|side|body)`,
  'response to some(?:body|one)',
  `answer (?:\\p{L}+ ){0,3}(?:of your |of the )?(?:${CLASSMATE})`,
  CLASSMATE,
  'your replies',
  'answers(?=:)',
  'elses?’?s? posts?',
  'threads? (?:of|by|from) (?:\\p{L}+ ){0,2}(?:people|others?|students?)',
  '(?:to|for|with|find|from|of|by) (?:some|any)(?:body|one) (?:arguing|who|whose|on your|from)',
  '(?:a|one|two|three|four|five|\\d) (?:other )?(?:posts|threads)(?! (?:must|should|of your own))',
);

/** Words that ask for nothing: what may be done, need not be done, or is only thought well of. */
export const OPTIONAL = latin(
  /(?<![\p{L}])(?:optional(?:ly)?|voluntary|welcome|encouraged?|feel free|if (?:you(?:'d|’d| would)? (?:like|wish|want|prefer|care|choose|have (?:time|one))|it (?:interests|helps) you)|invited|bonus|extra credit|no need|need not|needn['’]t|not (?:need|have to|necessary|required|obliged|compulsory|expected|mandatory)|(?:do not|don['’]t|does not|doesn['’]t) (?:need|have to)|(?:are|is)n['’]t (?:expected|required|necessary|asked)|recommended|at your discretion|would be nice|in place of|nobody is (?:counting|asking)|not asking|no one is (?:counting|asking))(?![\p{L}])/iu,
);

/** Before the thing: it may be brought. After it only where it is itself what may be. */
export const MAY = latin(
  /(?<![\p{L}])(?:may(?! not)|might|could(?! not)|can(?! ?not|'t|’t| only))(?![\p{L}])/iu,
);
export const MAY_BE = latin(
  /^[^,;.]{0,40}(?<![\p{L}])(?:may|might|can|could) (?:also |well |however )?be (?!any|no|as |longer|more|less|fewer)/iu,
);

/** Sentences about other times, other work, or the teacher's own: nothing in them is asked for here. */
const PAST = latin(
  /(?<![\p{L}])(?:last (?:week|term|time|year|month|semester|unit|module|session|round)|previous(?:ly)?|earlier (?:this|in the) (?:term|year|semester)|used to|discontinued|you (?:wrote|answered|posted|were asked|did)|(?:in|for) (?:exercise|unit|week|discussion|module|case|round|part|task|topic|the pilot)(?: \d+)?,? (?:\p{L}+ ){0,6}(?:was|were|had|managed|did)|no longer (?:applies|required|needed)|(?:years?|weeks?|months?) ago|next (?:month|term|semester|unit)|(?:syllabus|handbook|schedule|guide|page)[^:;]{0,20} (?:still )?sa(?:ys|id)|forget (?:what|the)|(?:have|has) gone|your last (?:posts?|responses?|pieces?|essays?)|did ask for|(?:on|for|in) the [\p{L}-]+ (?:topic|unit|week|module) (?:it was|there (?:was|were)|you (?:had|wrote|did))|for the old|old (?:handbook|rules?|guide))(?![\p{L}])/iu,
);
const OTHER_WORK = latin(
  /(?<![\p{L}])(?:(?:the|your|assessed|final|term|group|later|research|long|longer|separate) (?:\p{L}+ ){0,2}(?:essay|exam(?:ination)?|project|portfolio|quiz|test|term paper|paper|dissertation|lab report|coursework|presentation|problem question|assignment)s?|final exam|mid-?term|module guide|as a group|is none of this|nothing to do with (?:this|it)|(?:is|are)(?:n['’]t| not) (?:part of )?(?:this|it)(?! (?:is|week|time))|a separate matter|another thing altogether|groups of (?:two|three|four|five|six|\d) will|each group|your group will|for the group (?:report|briefing|paper)|monologue project)(?![\p{L}])/iu,
);
const INFORMATION = latin(
  /(?<![\p{L}])(?:typical(?:ly)?|usual(?:ly)?|on average|not a rule|for (?:your )?information|tends? to (?:be|run)|past students|is plenty|takes? (?:about|around|most))(?![\p{L}])/iu,
);
export const ELSEWHERE = [PAST, OTHER_WORK, INFORMATION] as const;

/** Things to be read or watched; their lengths are no requirement. */
export const READING =
  '(?:chapters?|articles?|case(?: study)?|case studies|readings?|briefings?|handouts?|transcripts?|lectures?|videos?|films?|clips?|recordings?|sections?|books?|extracts?|excerpts?|reports?|stor(?:y|ies)|poems?|interviews?|podcasts?|episodes?|documentar(?:y|ies)|papers?|speech(?:es)?|letters?|editorials?|files?|pdf|packets?|pages?|essays?|plans?|texts?|novels?|documents?|reviews?)';

/** Works that are cited. */
export const SOURCE = anyOf(
  'sources?',
  'references?',
  'citations?',
  'articles?',
  'stud(?:y|ies)',
  'authorit(?:y|ies)',
  'readings?',
  'books?',
  'papers?',
  'works?',
  'publications?',
  'texts?',
  'reports?',
  'cases?(?= (?:from|in|on) the (?:list|seminar|reading|set|casebook|bundle))',
);
export const SURE_SOURCE = anyOf('sources?', 'references?', 'citations?', 'authorit(?:y|ies)');
export const CITING = anyOf(
  'cit(?:e|es|ed|ing|ation)',
  'refer(?:s|ring|enc(?:e|es|ed|ing))?(?: to)?',
  'support(?:s|ed|ing)?',
  'back(?:s|ed|ing)?(?: up)?',
  'draw(?:s|ing|n)? (?:on|from|upon)',
  'us(?:e|es|ed|ing)',
  'mak(?:e|es|ing) use of',
  'defend(?:s|ed|ing)?',
  'ground(?:ed|ing)?',
  'includ(?:e|es|ed|ing)',
  'integrat(?:e|es|ed|ing)',
  'incorporat(?:e|es|ed|ing)',
  'introduc(?:e|es|ed|ing)',
  'ti(?:e|es|ed)',
  'relat(?:e|es|ed|ing)',
  'bas(?:e|es|ed|ing)',
  'anchor(?:ed)?',
  'with',
  'bring(?:s|ing)?(?: in)?',
  'consult(?:ed|ing)?',
  'rel(?:y|ies|ying) on',
  'name',
  'connect(?:s|ed|ing)?',
  'link(?:s|ed|ing)? (?:to|with)',
  'quot(?:e|es|ed|ing)',
  'engag(?:e|es|ing) with',
  'requir(?:e|es|ing)',
  'needs?',
  'contain(?:s|ing)?',
  'add(?:s|ing)?',
  'point(?:s|ing)? to',
);

/** Ideas of the course that are to be used. */
export const CONCEPT = anyOf(
  'concepts?',
  'terms?',
  'ideas?',
  'theor(?:y|ies)',
  'principles?',
  'key ?words?',
  'vocabulary (?:words?|items?|terms?)',
  'words?(?= (?:from|in|of|out of) (?:the|our|this) (?:\\p{L}+ )?(?:list|glossary|unit|chapter|lecture|module|lesson))',
  'models?',
  'frameworks?',
  'definitions?',
);
export const OF_THE_COURSE =
  "(?:from|of|in|covered in|introduced in|out of) (?:the |this |our |that )?(?:week[’']?s? |\\p{L}+ )?(?:unit|chapter|module|course|lectures?|glossary|week|readings?|textbook|book|list|class|lesson|tutorial|seminar)";
export const USING = anyOf(
  'us(?:e|es|ed|ing)',
  'appl(?:y|ies|ied|ying)',
  'mak(?:e|es|ing) use of',
  'work(?:s|ing)? in',
  'includ(?:e|es|ing)',
  'incorporat(?:e|es|ing)',
  'integrat(?:e|es|ing)',
  'nam(?:e|es|ed|ing)',
  'employ(?:s|ing)?',
  'draw(?:s|ing)? (?:on|upon)',
  'bring(?:s|ing)?(?: in)?',
  'rel(?:y|ies|ying) (?:on|upon)',
  'engag(?:e|es|ing) with',
  'refer(?:s|ring)? to',
  'connect(?:s|ing)?(?: (?:it|this|your \\p{L}+))? (?:to|with)',
  'relat(?:e|es|ing)',
  'define',
  'with',
  'identif(?:y|ies|ied|ying)',
  'mention(?:s|ing)?',
  'explain',
  'contain(?:s|ing)?',
  'needs?',
  'requires?',
);

/** "Respond to the following", "reply to both prompts", "respond to this week's reading": what is answered is nobody's post. */
const ANSWERS_PROMPT = latin(
  /^(?:please )?(?:respond|reply|replies|repl\p{L}+|react|answer)\s+(?:\p{L}+ly\s+)?to\s+(?:\p{L}+\s+of\s+)?(?:(?:the|this|these|those|that|all|each|both|any|either|one|two|three|four|every|our|my|a|an)\s+){0,3}(?:(?:week|module|unit|chapter)['’]s\s+|following\s+|discussion\s+|guiding\s+|essay\s+|writing\s+|assigned\s+|below\s+){0,2}(?:following|questions?|prompts?|parts?|tasks?|items?|scenarios?|cases?|case stud(?:y|ies)|readings?|chapters?|articles?|texts?|videos?|films?|lectures?|statements?|topics?|quotations?|quotes?|poems?|images?|paintings?|problems?)(?![\p{L}])/iu,
);
/** "The questions of two classmates" are posts after all. */
const OF_PEOPLE = latin(
  /^\s+(?:of|by|from|in|raised by|asked by|posted by)\s+(?:\p{L}+\s+){0,3}(?:classmates?|peers?|students?|others?|colleagues?|posts?|responses?|threads?)(?![\p{L}])/iu,
);

/**
 * Whether what begins here answers the prompt itself, though its verb is one of replies.
 * @example answersPrompt('respond to the prompt') // true
 */
export function answersPrompt(text: string): boolean {
  const found = ANSWERS_PROMPT.exec(text);
  return found !== null && !OF_PEOPLE.test(text.slice(found[0].length));
}
