import { expose } from 'comlink';
import { documentOf } from '@/core/formats/as-document';
import { documentFromHtml } from '@/core/formats/from-html';
import { readDocument } from '@/core/prompts/on-document';

/** Reading a prompt takes up to seconds for a very long text: too long for the thread that draws the page. */
const reader = {
  factsOf: (text: string, html: string) =>
    readDocument(html ? documentFromHtml(html) : documentOf(text)).facts.map(({ fact, value }) => ({
      fact,
      value,
    })),
};
export type PromptReader = typeof reader;

expose(reader);
