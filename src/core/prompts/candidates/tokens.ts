import { stemmer } from 'stemmer';
import { remember } from '../../memo';

/** A word or sign of a sentence: its stem, and the classes of words it belongs to, whatever its subject. */
export type Token = { stem: string; start: number; end: number; kinds: readonly string[] };

/* What a discussion is made of, by the words every discussion uses for it. Stems, in Porter's sense. */
const KINDS: Record<string, string> = {
  length: 'word charact',
  piece: 'paragraph page',
  sentence: 'sentenc line',
  source:
    'sourc refer citat articl studi author read book paper work public literatur evid scholar textbook journal cite',
  image:
    'imag pictur pic photo photograph screenshot scan sketch draw chart diagram map graph plot snapshot snap selfi illustr poster collag',
  video: 'video film clip screencast footag',
  audio: 'audio record voic podcast sound',
  link: 'link url address websit webpag hyperlink',
  file: 'file attach document spreadsheet pdf upload',
  quote: 'quot quotat',
  question: 'question ask',
  idea: 'concept term idea theori principl model framework keyword definit vocabulari standard',
  person:
    'classmat coursemat peer student colleagu other peopl person member particip partner writer author fellow somebodi someon oppon teammat learner group teammat friend reader voic neighbour neighbor',
  post: 'post thread contribut entri submiss respons statement piec text stori note case answer letter paragraph',
  answer:
    'repli respond comment answer react feedback rebut challeng follow-up followup critiqu review remark engag reaction',
  demand:
    'must should need requir expect write post includ give add use attach upload share submit provid make',
  least: 'least minimum min fewer less short enough',
  most: 'most maximum max exceed more limit longer over tops',
  day: 'day date week',
  times: 'time onc twice thrice',
  late: 'late deadlin due close accept penalti deduct lose miss',
  different: 'differ separ distinct vari each anoth',
};
const kindsOf = remember(
  (stem: string): readonly string[] =>
    Object.entries(KINDS).flatMap(([kind, stems]) => (stems.split(' ').includes(stem) ? [kind] : [])),
  20_000,
);
const stemOf = remember((bare: string) => (/\d/u.test(bare) ? '#' : stemmer(bare)), 20_000);
const TOKEN = /[\p{L}\p{N}]+(?:['’][\p{L}]+)?|[^\s\p{L}\p{N}]/gu;

/**
 * A sentence as tokens.
 * @example tokensOf('Two replies.').map((t) => t.stem) // ['two', 'repli', '.']
 */
export const tokensOf = (text: string): Token[] =>
  [...text.matchAll(TOKEN)].map((m) => {
    const stem = stemOf(m[0].toLowerCase().replace('’', "'"));
    return { stem, start: m.index, end: m.index + m[0].length, kinds: kindsOf(stem) };
  });
