import { notesIn, positionsOf } from '@/core/document/flatten';
import type { Doc, Note } from '@/core/document/nodes';
import { useId } from 'react';
import { Blocks } from './block-views';
import type { Dressed } from './dressing';

function NotesAtFoot({ notes, name }: { notes: readonly Note[]; name: string }) {
  if (notes.length === 0) return null;
  return (
    <ol className="notes-at-foot" aria-label="Notes">
      {notes.map((note, i) => (
        <li key={i} id={`${name}-note-${i + 1}`}>
          {note.attrs.text}{' '}
          <a href={`#${name}-mark-${i + 1}`} aria-label={`Back to the text of note ${i + 1}`}>
            ↩
          </a>
        </li>
      ))}
    </ol>
  );
}

/**
 * A shared text as it is read. Built from the checked document, never from HTML, so nothing in it can run. Stretches of
 * it, in order and none over another, may be dressed; those of `within` lie inside the dresses of `dressed`. `placed`
 * says in the page where each block begins.
 */
export function DocumentView(props: {
  doc: Doc;
  className?: string;
  dressed?: readonly Dressed[];
  within?: readonly Dressed[];
  placed?: boolean;
}) {
  const { doc, className, dressed = [], within = [], placed = false } = props;
  const name = useId();
  const notes = notesIn(doc).map((n) => n.node);
  const dressing = { at: positionsOf(doc), layers: [dressed, within], placed, notes, name };
  return (
    <div className={`text ${className ?? ''}`}>
      <Blocks nodes={doc.content} dressing={dressing} />
      <NotesAtFoot notes={notes} name={name} />
    </div>
  );
}
