import type { Finding } from './findings';

type Media = { kind: string; min: number };
type Tree = { [key: string]: Tree | Media[] | Finding['value'] };

/** The exchanged form has no place for these. */
const NOT_EXCHANGED = /^replies\.(?:media|concepts|paragraphs|parts|title|example)|\.sentences\.max$/u;

/**
 * Findings as the nested form they are exchanged in: `response.words.min` becomes `{ response: { words: { min } } }`.
 * @example asBrief([{ fact: 'response.words.min', value: 250, … }]) // { response: { words: { min: 250 } } }
 */
export function asBrief(facts: readonly Finding[]): Tree {
  const brief: Tree = {};
  for (const { fact, value } of facts.filter((f) => !NOT_EXCHANGED.test(f.fact))) {
    const path = fact.split('.');
    const at = path.indexOf('media');
    if (at >= 0) {
      const side = (brief[path[0] ?? ''] ??= {}) as Tree;
      const media = (side.media ??= []) as Media[];
      media.push({ kind: path[at + 1] ?? '', min: Number(value) });
      continue;
    }
    let node = brief;
    for (const key of path.slice(0, -1)) node = (node[key] ??= {}) as Tree;
    node[path[path.length - 1] ?? ''] = value;
  }
  return brief;
}
