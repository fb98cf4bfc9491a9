/** Signs of what a sentence does. Each is a way of speaking that any subject has; none is a subject's own word. */

const WORD = (list: string) => new RegExp(String.raw`\b(?:${list})\b`, 'iu');

/** Appreciation of the text or its writer. */
const PRAISE = WORD(
  String.raw`(?:great|good|excellent|amazing|awesome|brilliant|wonderful|fantastic|lovely|nice|super|beautiful|impressive|refreshing|inspiring|interesting|strong|clear|fascinating|charming|moving|outstanding|superb)(?:,| and| \w+ly)? ?(?:\w+ )?(?:post|point|points|job|work|idea|contribution|writer|read|line|response|reply|example|quote|comparison|thought|thoughts|essay|story|analysis|question|answer|way|words)|beautifully|well (?:done|written|said|put)|(?:i |really |absolutely |just )lov(?:e|ed) (?:this|it|your|how|the)|loved this|enjoy(?:ed)?|enjoyable|keep (?:it|them|this|writing)|can[’']?t wait|look(?:ing)? forward|wow|aww|hats off|congratulations|legend|goosebumps|best (?:post|line|one|thing)|(?:ten|10) out of (?:ten|10)|made my day|so (?:moving|true|brave|honest|well)|(?:laugh|smile) out loud|made me (?:smile|laugh)|what an? (?:writer|refreshing|great|lovely|quote)|thank(?:s| you) (?:so much|for (?:sharing|this|your))|what a|pleasure to read|never stop|kudos|i liked?|i like it|a win|hits`,
);
const AGREE = WORD(
  String.raw`(?:completely|totally|fully|wholeheartedly|also|really|just|entirely|very much)? ?(?:i|we) (?:\w+ )?(?:agree|concur)|(?:couldn[’']?t|could not) agree more|i agree|same opinion|(?:nothing|little) (?:at all |really |much |left )?(?:to|i would) (?:add|criti\w+|say)|i[’']?m with you|i am with you|i stand with|you(?:[’']ve| have)? (?:convinced|said it all)|exactly (?:what|the same|like|as) (?:i|you)|(?:felt|thought|think|believe|said|see\w*) (?:so |it |exactly |just )*(?:in )?(?:exactly )?the (?:very )?same|same (?:way|explanation|thing) (?:as|that) (?:you|i)|full support|(?:that|this)[’']?s (?:just |exactly |also )?what i (?:think|thought|mean)|you(?:[’']re| are) (?:so |absolutely |completely |quite )?right|(?:can )?only say yes|(?:vote|stand|side) with you|not (?:a|one|any) (?:single )?(?:word|thing) (?:that )?i would|(?:just|exactly) as you|as you rightly|signed it|same here|i (?:fully |completely )?support (?:you|this|every|all)|every(?: single)?thing (?:in|you)|this is (?:so |very )?true|that[’']s right|yes,? yes|so true|(?:add|give|have) (?:you )?(?:my|full) support|on your side|the one i[’']?m with|for (?:all (?:of )?)?the reasons (?:that )?you|i also would|i think (?:it is|so) too`,
);
/** What the writer has made elsewhere, and the wish to be read or liked. */
const OWN_POST = WORD(
  String.raw`my (?:own )?(?:post|plan|table|diagram|chart|video|photos?|layout|spreadsheet|map|single|band|presentation|blog|version)|my (?:post|text|one) (?:is|has|comes|also)|mine (?:is|has|comes|and|too)|i(?:[’']ve| have)? (?:also |just |only )?(?:made|put|done|drawn?|drew|worked in|uploaded|posted) (?:\w+ ){0,4}(?:table|diagram|chart|map|video|photos?|poem|cartoon|list|slides|post|graph|spreadsheet|file|plan)|i (?:went|go) for|i[’']ve written about|i also wrote|(?:have|take) a look|look(?:ed)? in|(?:go and )?watch it|do mine|check (?:it|mine) out|leave (?:a|me) \w+|comments?|likes?,|feel free|proud\w*|titled|called [“"‘]|readers by|hearts in|stream it|i still need|the post called|tell me (?:what you think|if the)`,
);
/** Saying again what the other said. */
const REPORT = new RegExp(
  // At the head of a clause: "the point you describe" is the beginning of an answer.
  String.raw`(?:^|[,;:.!?] |\b(?:and|that|then|also|finally|so|which|to me|as|but) )(?:you|he|she)(?:[’']d| would|[’']re| are)?(?: also| then| even| further| finally| too| all)* (?:say|describe|mention|explain|note|add|argue|believe|remind|compare|recommend|propose|introduce|finish|admit|consider|rely|recall|rather|replaced?|swapped|hold|conclude|state|suggest|point out|prefer|wrote|write|call|tell|show|list|find|found|think|see|want|choose|fear|speak|make clear|answer|experienced|for|against|in favour)s?\b|\b(?:according to you|in your (?:view|opinion|experiment|eyes|letter)|your (?:position|recommendation|argument|choice|own suggestion|solution|conclusion|experience|starting point) (?:is|was|that|in)|as your example|if i(?:[’']ve| have) understood|to sum up|what you(?:[’']re| are) saying|the (?:drawback|objection)|in the end you|[’']s (?:position|argument|view|point|idea|recommendation|plan) is)\b`,
  'iu',
);
const REASON = WORD(
  String.raw`because|since|so|therefore|thus|hence|which means|means?|meaning|that[’']s why|the reason|as a result|otherwise|then|until|leads? to|makes?|comes? (?:out|back|from|with)|depends?|turns?|due to|that way|in order|costs?|gives?`,
);
const CONDITION = WORD(
  String.raw`if|unless|would|could|might|may|suppose|whether|even if|only (?:if|when|works)|once|until`,
);
const CONTRAST = WORD(
  String.raw`but|however|although|though|yet|rather|instead|except|unlike|isn[’']?t|doesn[’']?t|don[’']?t|didn[’']?t|won[’']?t|wouldn[’']?t|can[’']?t|cannot|not|never|only|even|still|against|wrong|the other|on the other|where it|nobody|no|without|less|than|hole|breaks?|broke|kills?|backfire|alone|both|opposite|just as|already|all of it|same|too many|too much|another|different|other way`,
);
const CORRECTION = WORD(
  String.raw`(?:is|are|was)n[’']?t (?:what|the|a|how|really|quite|only)|(?:is|are|was|does|do|did) not (?:what|the|show|mean|prove)|actually|in fact|leaves? out|speaks? against|for another|misread|mistaken|it[’']s not|not (?:your|the|a) (?:figure|number|reason|cause|test)`,
);
const EVIDENCE =
  /\((?:[^()]*\b(?:1[89]|20)\d\d\b[^()]*|[^()]*\b(?:p|pp|ch|no|table|sheet|page|chapter)\b\.? ?\d[^()]*)\)|\b(?:study|studies|survey|trial|report|catalogue|data|figures|spreadsheet|followed|counted|measured|on average|median|per ?cent|according to the|accounts|the reading|the chapter|our chapter)\b|\d%/iu;
const EXAMPLE =
  /\b(?:my|our) (?:own |old |last |first |big |little )?(?:mum|mom|mother|father|dad|gran|granny|grandmother|grandfather|aunt|uncle|sister|brother|cousin|niece|nephew|neighbour|flatmate|room ?mate|boss|teacher|school|street|road|village|town|city|ward|lab|job|work|company|garage|family|gymnasium|country|home|sourdough|place|hospital|church|gym|dorm|branch|friend|station|field)\b|\b(?:in|at|on) (?:my|our|one)\b|\b(?:when|where) (?:i|we)\b|\bi (?:once|had|saw|was|worked|used|took|did|remember|learned|cleaned|work|came|know)\b|\bwe (?:had|used|were|did|have)\b|\bfor (?:example|instance)\b/iu;
const SECOND = /\b(?:you|your|yours|you[’'](?:d|re|ve|ll)|ur|u)\b/iu;

/** Words of good will and wide views, which say nothing of anything. */
const STOCK = WORD(
  String.raw`important|essential|vital|crucial|valuable|precious|priceless|meaningful|fascinating|society|societies|civili[sz]ed|communit(?:y|ies)|future|generations?|balance|opportunit(?:y|ies)|challenges?|harmony|modern|digital age|today[’']s|fast-moving|connected|all backgrounds|cornerstone|foundation|build(?:ing)? bridges|mirror|heart of|language of|soul|key to|role to play|vital role|both sides|two sides|valid|open mind|open-minded|positive|attitude|goodwill|commitment|hand in hand|dialogue|respect(?:ful)?|responsibilit(?:y|ies)|privilege|shared values|integrity|innovation|every one of us|each one of us|all of us|for all|we all|everybody|human being|cultural|heritage|factors|aspects|perspectives?|a range of|many ways|various|different possibilities|in general|in conclusion|it is clear|needless|more than ever|at the end of the day|no one solution|one person may|(?:move|moving|way) forward|best possible|peace of mind|uncertain|complex|exciting|greener|healthier|happier|better (?:place|bakers|outcomes)|confident|convinced|serve us|pull together|sustainable|enrich\w*|tolerance|understanding`,
);
const STOCK_ALL = new RegExp(STOCK.source, 'giu');

export type Signs = {
  praise: boolean;
  agree: boolean;
  ownPost: boolean;
  report: boolean;
  reason: boolean;
  condition: boolean;
  contrast: boolean;
  correction: boolean;
  evidence: boolean;
  example: boolean;
  second: boolean;
  asks: boolean;
  /** Where its stock words stand. */
  stock: { start: number; end: number }[];
};

/** @example signsOf('I agree because it rained.') // agree and reason are true */
export const signsOf = (sentence: string): Signs => ({
  praise: PRAISE.test(sentence),
  agree: AGREE.test(sentence),
  ownPost: OWN_POST.test(sentence),
  report: REPORT.test(sentence),
  reason: REASON.test(sentence),
  condition: CONDITION.test(sentence),
  contrast: CONTRAST.test(sentence),
  correction: CORRECTION.test(sentence),
  evidence: EVIDENCE.test(sentence),
  example: EXAMPLE.test(sentence),
  second: SECOND.test(sentence),
  asks: /\?/u.test(sentence),
  stock: [...sentence.matchAll(STOCK_ALL)].map((m) => ({ start: m.index, end: m.index + m[0].length })),
});
