import type { BlockNode, Doc, InlineNode } from '@/core/posts/document';
import { Fragment, type ReactNode } from 'react';

function Inline({ content }: { content?: InlineNode[] }) {
  return (content ?? []).map((node, i) => {
    if (node.type === 'hardBreak') return <br key={i} />;
    let out: ReactNode = node.text;
    for (const mark of node.marks ?? []) {
      if (mark.type === 'bold') out = <strong>{out}</strong>;
      else if (mark.type === 'italic') out = <em>{out}</em>;
      else {
        out = (
          <a href={mark.attrs.href} rel="noopener noreferrer nofollow" target="_blank">
            {out}
          </a>
        );
      }
    }
    return <Fragment key={i}>{out}</Fragment>;
  });
}

function Blocks({ nodes }: { nodes: BlockNode[] }) {
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
          <p key={i}>
            <Inline content={node.content} />
          </p>
        );
      case 'heading':
        return (
          <h3 key={i}>
            <Inline content={node.content} />
          </h3>
        );
      case 'blockquote':
        return (
          <blockquote key={i}>
            <Blocks nodes={node.content} />
          </blockquote>
        );
      case 'bulletList':
      case 'orderedList': {
        const items = node.content.map((item, k) => (
          <li key={k}>
            <Blocks nodes={item.content} />
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

/** A shared text as it is read. Built from the checked document, never from HTML, so nothing in it can run. */
export function DocumentView({ doc, className }: { doc: Doc; className?: string }) {
  return (
    <div className={`text ${className ?? ''}`}>
      <Blocks nodes={doc.content} />
    </div>
  );
}
