/* A prompt as lines, list items, headed sections, sentences and clauses, each with its place in the text. */

export type Who = 'response' | 'replies';
export type Span = { start: number; end: number };

export type Marker = { kind: 'number' | 'letter' | 'bullet' | 'box' | 'part'; n: number };
export type Topic = 'due' | 'late' | 'context' | 'avoid';
export type Section = { who: Who | null; topic: Topic | null };

export type Sentence = Span & {
  text: string;
  /** Where the sentence stands in the order of the text. */
  index: number;
  line: number;
  paragraph: number;
  marker: Marker | null;
  section: Section;
  /** The question a sheet of questions and answers puts before its answer. */
  question: string | null;
  /** A row of a table, with its first cell. */
  row: string | null;
  heading: boolean;
};

export type Outline = { text: string; sentences: Sentence[] };
