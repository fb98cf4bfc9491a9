import type { Concept } from '../brief/brief';
import { words } from '../text/words';
import type { Evidence } from './types';
import type { Passage } from './passages';

/** Folds a word to what its common English inflections share: case, possessive, plural. */
function fold(word: string): string {
  const w = word
    .toLowerCase()
    .normalize('NFKC')
    .replace(/['’]s?$/u, '');
  if (w.length > 4 && w.endsWith('ies')) return `${w.slice(0, -3)}y`;
  if (w.length > 4 && /(ss|x|ch|sh)es$/u.test(w)) return w.slice(0, -2);
  if (w.length > 3 && w.endsWith('s') && !/(ss|us|is)$/u.test(w)) return w.slice(0, -1);
  return w;
}

export type ConceptUse = { term: string; own: Evidence[]; quoted: number };

/**
 * Where each course idea is used, by its term or an alias, in the writer's own words. A use inside a quotation is
 * counted apart: the classmate or the reading said it, not the writer.
 *
 * @example the idea "levee effect" in "Levee effects grow" is used once; inside a quotation it counts as quoted
 */
export function conceptUses(all: Passage[], concepts: Concept[]): ConceptUse[] {
  const texts = all
    .filter((p) => p.role === 'own' || p.role === 'quote')
    .map((p) => ({ p, tokens: words(p.line.text).map((w) => ({ ...w, folded: fold(w.text) })) }));
  return concepts.map(({ term, aliases }) => {
    const use: ConceptUse = { term, own: [], quoted: 0 };
    const names = [term, ...aliases].map((name) => words(name).map((w) => fold(w.text)));
    for (const { p, tokens } of texts) {
      for (let i = 0; i < tokens.length; i += 1) {
        const name = names.find((n) => n.length > 0 && n.every((part, k) => tokens[i + k]?.folded === part));
        if (!name) continue;
        const first = tokens[i];
        const last = tokens[i + name.length - 1];
        if (!first || !last) continue;
        const quoted =
          p.role === 'quote' || p.quoted.some((q) => first.start >= q.start && last.end <= q.end);
        if (quoted) use.quoted += 1;
        else use.own.push({ from: p.line.pos + first.start, to: p.line.pos + last.end, note: term });
        i += name.length - 1;
      }
    }
    return use;
  });
}
