import type { BlockNode, BlockShape, Doc, InlineNode, Note } from '@/core/posts/document';
import { notesIn, positionsOf } from '@/core/posts/flatten';
import { Fragment, useId, type ReactNode } from 'react';
import { EmbedView } from '../attachments/embed-view';
import { FileView } from '../attachments/file-view';
import { PictureView } from '../attachments/picture-view';
import { ClipView } from '../clips/clip-view';
import { MathText } from '../math/math';
import { PostReference } from './post-reference';

/** A stretch of the document, in the editor's positions, that is shown in a dress of its own. */
export type Dressed = { from: number; to: number; dress: (text: ReactNode) => ReactNode };
type Dressing = {
  at: ReadonlyMap<BlockNode, number>;
  /** Outer stretches first; those of a later layer are cut where an earlier one begins or ends. */
  layers: readonly (readonly Dressed[])[];
  placed: boolean;
  /** The notes of the document, by which each has its number, and what their places in the page are called by. */
  notes: readonly InlineNode[];
  name: string;
};

const TAGS = {
  bold: 'strong',
  italic: 'em',
  underline: 'u',
  strike: 's',
  code: 'code',
  subscript: 'sub',
  superscript: 'sup',
} as const;

function marked(node: Extract<InlineNode, { type: 'text' }>, text: string): ReactNode {
  let out: ReactNode = text;
  for (const mark of node.marks ?? []) {
    switch (mark.type) {
      case 'link':
        out = (
          <a href={mark.attrs.href} rel="noopener noreferrer nofollow" target="_blank">
            {out}
          </a>
        );
        break;
      case 'ink':
        out = <span data-ink={mark.attrs.name}>{out}</span>;
        break;
      case 'mention':
        // To what that person has written in the discussion one reads in.
        out = (
          <a className="mention" href={`conversation?by=${mark.attrs.person}`}>
            {out}
          </a>
        );
        break;
      case 'postReference':
        out = <PostReference post={mark.attrs.post}>{out}</PostReference>;
        break;
      default: {
        const Tag = TAGS[mark.type];
        out = <Tag>{out}</Tag>;
      }
    }
  }
  return out;
}

/** The mark of a note; the note itself stands at the foot of the text. */
function NoteMark({ node, dressing }: { node: Note; dressing: Dressing }) {
  const n = dressing.notes.indexOf(node) + 1;
  return (
    <sup>
      <a
        className="note-mark"
        id={`${dressing.name}-mark-${n}`}
        href={`#${dressing.name}-note-${n}`}
        title={node.attrs.text}
        aria-label={`Note ${n}`}
      >
        {n}
      </a>
    </sup>
  );
}

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

/** The pieces of inline content between two positions. */
function pieces(
  content: InlineNode[],
  pos: number,
  from: number,
  to: number,
  dressing: Dressing,
): ReactNode[] {
  let at = pos;
  return content.flatMap((node, i) => {
    const start = at;
    at += node.type === 'text' ? node.text.length : 1;
    if (at <= from || start >= to) return [];
    if (node.type === 'hardBreak') return [<br key={i} />];
    if (node.type === 'note') return [<NoteMark key={i} node={node} dressing={dressing} />];
    if (node.type === 'inlineMath') return [<MathText key={i} latex={node.attrs.latex} />];
    const text = node.text.slice(Math.max(0, from - start), Math.max(0, to - start));
    return [<Fragment key={i}>{marked(node, text)}</Fragment>];
  });
}

/** What stands between two positions, with the stretches of every layer in their dress. */
function dressedPieces(
  content: InlineNode[],
  pos: number,
  from: number,
  to: number,
  dressing: Dressing,
): ReactNode[] {
  const [layer, ...layers] = dressing.layers;
  if (!layer) return pieces(content, pos, from, to, dressing);
  const rest = { ...dressing, layers };
  let at = from;
  const out: ReactNode[] = [];
  for (const s of layer) {
    const start = Math.max(s.from, at);
    const end = Math.min(s.to, to);
    if (start >= end) continue;
    out.push(<Fragment key={at}>{dressedPieces(content, pos, at, start, rest)}</Fragment>);
    out.push(<Fragment key={`d${start}`}>{s.dress(dressedPieces(content, pos, start, end, rest))}</Fragment>);
    at = end;
  }
  out.push(<Fragment key="rest">{dressedPieces(content, pos, at, to, rest)}</Fragment>);
  return out;
}

type TextBlock = Extract<BlockNode, { type: 'paragraph' | 'heading' | 'codeBlock' }>;

function Inline({ node, dressing }: { node: TextBlock; dressing: Dressing }) {
  const content: InlineNode[] = node.content ?? [];
  const pos = dressing.at.get(node) ?? 0;
  const end = pos + content.reduce((n, c) => n + (c.type === 'text' ? c.text.length : 1), 0);
  return dressedPieces(content, pos, pos, end, dressing);
}

/** Says in the page where a block's text begins, so that what is selected in it can be told. */
const placeOf = (node: BlockNode, dressing: Dressing) =>
  dressing.placed ? { 'data-pos': dressing.at.get(node) } : {};

/** How a paragraph or heading stands, where it is not as usual. */
const shapeOf = (attrs: BlockShape | undefined) => ({
  ...(attrs?.indent ? { 'data-indent': attrs.indent } : {}),
  ...(attrs?.textAlign ? { style: { textAlign: attrs.textAlign } } : {}),
});

function Blocks({ nodes, dressing }: { nodes: BlockNode[]; dressing: Dressing }) {
  return nodes.map((node, i) => {
    switch (node.type) {
      case 'partHeading':
        return (
          <p key={i} className="part-heading">
            {node.attrs.part}. {node.attrs.text}
          </p>
        );
      case 'paragraph':
        return (
          <p key={i} {...placeOf(node, dressing)} {...shapeOf(node.attrs)}>
            <Inline node={node} dressing={dressing} />
          </p>
        );
      case 'heading':
        return (
          <h3 key={i} data-level={node.attrs.level} {...placeOf(node, dressing)} {...shapeOf(node.attrs)}>
            <Inline node={node} dressing={dressing} />
          </h3>
        );
      case 'horizontalRule':
        return <hr key={i} />;
      case 'picture':
        return <PictureView key={i} attrs={node.attrs} />;
      case 'embed':
        return <EmbedView key={i} attrs={node.attrs} />;
      case 'clip':
        return <ClipView key={i} attrs={node.attrs} />;
      case 'file':
        return <FileView key={i} attrs={node.attrs} />;
      case 'blockMath':
        return <MathText key={i} latex={node.attrs.latex} ownLine />;
      case 'codeBlock':
        return (
          <pre key={i} tabIndex={0} role="group" aria-label="Code" {...placeOf(node, dressing)}>
            <code>
              <Inline node={node} dressing={dressing} />
            </code>
          </pre>
        );
      case 'blockquote':
        return (
          <blockquote key={i}>
            <Blocks nodes={node.content} dressing={dressing} />
          </blockquote>
        );
      case 'table':
        return (
          <div key={i} className="max-w-full overflow-x-auto" tabIndex={0} role="group" aria-label="Table">
            <table>
              <tbody>
                {node.content.map((row, r) => (
                  <tr key={r}>
                    {row.content.map((cell, c) => {
                      const inside = <Blocks nodes={cell.content} dressing={dressing} />;
                      return cell.type === 'tableHeader' ? (
                        <th key={c} scope={r === 0 ? 'col' : 'row'}>
                          {inside}
                        </th>
                      ) : (
                        <td key={c}>{inside}</td>
                      );
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        );
      case 'bulletList':
      case 'orderedList': {
        const items = node.content.map((item, k) => (
          <li key={k}>
            <Blocks nodes={item.content} dressing={dressing} />
          </li>
        ));
        return node.type === 'bulletList' ? (
          <ul key={i}>{items}</ul>
        ) : (
          <ol key={i} start={node.attrs?.start}>
            {items}
          </ol>
        );
      }
    }
  });
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
