import type { BlockNode, InlineNode, Note, TextBlock, TextNode } from '@/core/document/nodes';
import { PLAIN_TAGS } from '@/core/document/marks';
import { createElement, Fragment, type ReactNode } from 'react';
import { MathText } from '../math/math';
import { PostReference } from './leaves';

/** A stretch of the document, in the editor's positions, that is shown in a dress of its own. */
export type Dressed = { from: number; to: number; dress: (text: ReactNode) => ReactNode };
export type Dressing = {
  at: ReadonlyMap<object, number>;
  /** Outer stretches first; those of a later layer are cut where an earlier one begins or ends. */
  layers: readonly (readonly Dressed[])[];
  placed: boolean;
  /** The notes of the document, by which each has its number, and what their places in the page are called by. */
  notes: readonly InlineNode[];
  name: string;
};

function marked(node: TextNode, text: string): ReactNode {
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
      default:
        out = createElement(PLAIN_TAGS.get(mark.type) ?? 'span', null, out);
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
    switch (node.type) {
      case 'hardBreak':
        return [<br key={i} />];
      case 'note':
        return [<NoteMark key={i} node={node} dressing={dressing} />];
      case 'inlineMath':
        return [<MathText key={i} latex={node.attrs.latex} />];
      case 'text': {
        const text = node.text.slice(Math.max(0, from - start), Math.max(0, to - start));
        return [<Fragment key={i}>{marked(node, text)}</Fragment>];
      }
    }
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

/** The words of a block, in their dress. */
export function Inline({ node, dressing }: { node: TextBlock; dressing: Dressing }) {
  const content: InlineNode[] = node.content ?? [];
  const pos = dressing.at.get(node) ?? 0;
  const end = pos + content.reduce((n, c) => n + (c.type === 'text' ? c.text.length : 1), 0);
  return dressedPieces(content, pos, pos, end, dressing);
}

/** Says in the page where a block's text begins, so that what is selected in it can be told. */
export const placeOf = (node: BlockNode, dressing: Dressing) =>
  dressing.placed ? { 'data-pos': dressing.at.get(node) } : {};
