import { expose } from 'comlink';
import nspell from 'nspell';
import type { Part } from '@/core/brief/brief';
import type { Doc } from '@/core/document/nodes';
import { proofread } from '@/core/proofread/proofread';
import { readingRuns, type ReadingText } from '@/core/proofread/unquoted';

type Dictionary = ReturnType<typeof nspell>;
type Prepared = { names: string[]; known: string[]; runs: Map<string, string> };

const dictionaries = new Map<string, Promise<Dictionary | null>>();
let prepared: Prepared = { names: [], known: [], runs: new Map() };
let speller: Dictionary | null = null;

async function load(spelling: string): Promise<Dictionary | null> {
  const parts = await Promise.all(
    ['aff', 'dic'].map(async (kind) => {
      const answer = await fetch(`/dictionaries/${spelling}.${kind}`);
      return answer.ok ? answer.text() : null;
    }),
  );
  const [aff, dic] = parts;
  return aff && dic ? nspell({ aff, dic }) : null;
}

const MOST_SUGGESTIONS = 5;

/** Reading drafts over: building a dictionary takes half a second, which is no time for the thread that draws. */
const proofreader = {
  here: () => true,
  /** Says whether there is a dictionary; without one everything but the spelling is still looked at. */
  prepare: async (course: {
    names: string[];
    known: string[];
    readings: ReadingText[];
    spelling: string;
  }) => {
    prepared = { names: course.names, known: course.known, runs: readingRuns(course.readings) };
    const loading = dictionaries.get(course.spelling) ?? load(course.spelling).catch(() => null);
    dictionaries.set(course.spelling, loading);
    speller = await loading;
    if (speller === null) dictionaries.delete(course.spelling);
    return speller !== null;
  },
  learn: (word: string) => void prepared.known.push(word),
  find: (doc: Doc, parts: Part[]) => proofread({ doc, parts, ...prepared, speller }),
  suggest: (word: string) => speller?.suggest(word).slice(0, MOST_SUGGESTIONS) ?? [],
};
export type Proofreader = typeof proofreader;

expose(proofreader);
