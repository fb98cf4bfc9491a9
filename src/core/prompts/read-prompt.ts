import { addressesOf } from './address';
import { candidatesOf } from './candidates/candidates';
import { decided } from './decide/decide';
import { learned } from './decide/unpacked';
import { partTexts } from './facts/parts';
import type { Finding } from './findings';
import { outlineOf } from './outline';
import { looksLikeHtml, plainOfHtml } from './html';
import { plainOf, type Plain } from './plain';
import { ruled } from './ruled';
import { settle } from './settle';

/** About sixteen pages, read within half a second; a longer text is read as far as this. */
export const MOST_READ = 40_000;

export type Reading = {
  /** One finding for each fact: the surest, the first among equals. */
  facts: Finding[];
  /** Findings that say something else of a fact that is taken: a text that contradicts itself. */
  contradictory: Finding[];
  /** What the components of the response ask, word for word, where the text lists them. */
  parts: string[];
  /** The text goes on after what was read. */
  cut: boolean;
};

/** Plain text, Markdown or HTML as the text that is read, with the way back to where everything stood. */
function plainText(source: string): Plain {
  if (!looksLikeHtml(source)) return plainOf(source);
  const seen = plainOfHtml(source);
  const plain = plainOf(seen.text);
  return { text: plain.text, at: (i) => seen.at(plain.at(i)) };
}

/**
 * Reads what a prompt's text (plain, Markdown or HTML) requires: every fact with the stretch of text it was read from (UTF-16 offsets) and
 * how sure the reading is. Never fails: a text that requires nothing gives no facts.
 *
 * @example readPrompt('Write 250 words.') // one fact: response.words.min is 250, read from "250 words"
 */
export function readPrompt(text: string): Reading {
  const plain = plainText(text.slice(0, MOST_READ));
  const outline = outlineOf(plain.text);
  const addresses = addressesOf(outline);
  const grammar = ruled(outline, addresses);
  const found = decided(candidatesOf(outline, addresses, grammar), learned(), grammar);
  const settled = settle(
    found.map((f) => ({ ...f, start: plain.at(f.start), end: plain.at(f.end - 1) + 1 })),
  );
  return { ...settled, parts: partTexts(outline, addresses), cut: text.length > MOST_READ };
}
