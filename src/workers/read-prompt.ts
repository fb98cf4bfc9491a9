import { expose } from 'comlink';
import type { WallClock } from '@/core/deadlines/wallclock';
import type { Doc } from '@/core/document/nodes';
import { documentOf } from '@/core/formats/as-document';
import { documentFromHtml } from '@/core/formats/from-html';
import { suggestBrief } from '@/core/outside/suggest';
import { readDocument } from '@/core/prompts/on-document';

/** Reading a prompt takes up to seconds for a very long text: too long for the thread that draws the page. */
const reader = {
  factsOf: (text: string, html: string) =>
    readDocument(html ? documentFromHtml(html) : documentOf(text)).facts.map(({ fact, value }) => ({
      fact,
      value,
    })),
  /** What it asks as the fields of a brief, each with the words it was read from. */
  briefOf: (doc: Doc, now: WallClock) => suggestBrief(doc, now),
};
export type PromptReader = typeof reader;

expose(reader);
