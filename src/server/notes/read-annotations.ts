import { anchorAt, locate, LONGEST_PASSAGE, type Anchor } from '@/core/notes/anchor';
import { readAnnotations, type AnnotationProblem, type ReadAnnotation } from '@/core/notes/web-annotation';

/** What is remembered of a passage as an anchor in this text; by its place alone where its words are not said. */
function anchorFrom(passage: ReadAnnotation['passage'], text: string): Anchor | null {
  if (!passage) return null;
  const { exact, start, end, prefix = '', suffix = '' } = passage;
  if (exact) {
    return {
      exact: exact.slice(0, LONGEST_PASSAGE),
      prefix: prefix.slice(-200),
      suffix: suffix.slice(0, 200),
      start: start ?? 0,
      end: end ?? exact.length,
    };
  }
  return start === undefined || end === undefined
    ? null
    : anchorAt(text, start, Math.min(end, start + LONGEST_PASSAGE));
}

/** Looking for what is not in the text any more is dear; after so long the rest counts as found. */
const LOOKING_MS = 1_200;

export type FoundAnnotation = Omit<ReadAnnotation, 'passage'> & { anchor: Anchor | null; lost: boolean };

/** The notes of a Web Annotation file with their passages in a text; null where it is no JSON. */
export function annotationsIn(
  file: string,
  text: string,
): { notes: FoundAnnotation[]; problems: AnnotationProblem[] } | null {
  let json: unknown;
  try {
    json = JSON.parse(file);
  } catch (error) {
    if (error instanceof Error && error.name === 'SyntaxError') return null;
    throw error;
  }
  const { notes, problems } = readAnnotations(json);
  const until = performance.now() + LOOKING_MS;
  return {
    notes: notes.map(({ passage, ...note }) => {
      const anchor = anchorFrom(passage, text);
      if (anchor === null || performance.now() >= until) return { ...note, anchor, lost: false };
      const found = locate(text, anchor);
      // Words alone say nothing of their place: it is where they were found.
      const placed = found && passage?.start === undefined ? anchorAt(text, found.start, found.end) : null;
      return { ...note, anchor: placed ?? anchor, lost: !found };
    }),
    problems,
  };
}
