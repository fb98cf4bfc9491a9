import { addressesOf } from './address';
import { deadlines } from './facts/due';
import { lengths } from './facts/length';
import { lateRule, sealing } from './facts/late';
import { manner } from './facts/manner';
import { material } from './facts/material';
import { parts, partTexts } from './facts/parts';
import { replies } from './facts/replies';
import type { Finding, Found } from './findings';
import { outlineOf } from './outline';
import { looksLikeHtml, plainOfHtml } from './html';
import { plainOf, type Plain } from './plain';

/** About forty pages; a longer text is read as far as this. */
export const MOST_READ = 100_000;

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

/** Facts of the replies mean something only where replies are asked for. */
const ofReplies = (f: Finding) => f.fact.startsWith('replies.');

function settle(found: Found): Pick<Reading, 'facts' | 'contradictory'> {
  const facts: Finding[] = [];
  const contradictory: Finding[] = [];
  const inOrder = [...found].sort((a, b) => b.confidence - a.confidence || a.start - b.start);
  for (const f of inOrder) {
    const taken = facts.find((x) => x.fact === f.fact);
    if (!taken) facts.push(f);
    else if (taken.value !== f.value) contradictory.push(f);
  }
  return { facts: facts.sort((a, b) => a.start - b.start || a.fact.localeCompare(b.fact)), contradictory };
}

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
  const answers = replies(outline, addresses);
  const asked = answers.some((f) => f.fact === 'replies.count');
  const rest = [
    ...lengths(outline, addresses),
    ...material(outline, addresses),
    ...manner(outline, addresses),
    ...parts(outline, addresses),
  ];
  const found = [
    ...answers,
    ...rest.filter((f) => asked || !ofReplies(f)),
    ...deadlines(outline, addresses, asked),
    ...lateRule(outline),
    ...sealing(outline),
  ];
  const settled = settle(
    found.map((f) => ({ ...f, start: plain.at(f.start), end: plain.at(f.end - 1) + 1 })),
  );
  return { ...settled, parts: partTexts(outline, addresses), cut: text.length > MOST_READ };
}
