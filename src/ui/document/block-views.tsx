import type { BlockNode, BlockShape, ListItem, OrderedList, Table } from '@/core/document/nodes';
import type { ReactNode } from 'react';
import { EmbedView } from '../attachments/embed-view';
import { PictureView } from '../attachments/picture-view';
import { MathText } from '../math/math';
import { Inline, placeOf, type Dressing } from './dressing';
import { ClipView, FileView } from './leaves';

/** How a paragraph or heading stands, where it is not as usual. */
const shapeOf = (attrs: BlockShape | undefined) => ({
  ...(attrs?.indent ? { 'data-indent': attrs.indent } : {}),
  ...(attrs?.textAlign ? { style: { textAlign: attrs.textAlign } } : {}),
});

const itemsOf = (items: readonly ListItem[], dressing: Dressing) =>
  items.map((item, i) => (
    <li key={i}>
      <Blocks nodes={item.content} dressing={dressing} />
    </li>
  ));

function TableView({ node, dressing }: { node: Table; dressing: Dressing }) {
  return (
    <div className="max-w-full overflow-x-auto" tabIndex={0} role="group" aria-label="Table">
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
}

type View<T extends BlockNode['type']> = (
  node: Extract<BlockNode, { type: T }>,
  dressing: Dressing,
) => ReactNode;

/** How each kind of block is read. A kind without a view does not compile. */
const VIEWS: { [T in BlockNode['type']]: View<T> } = {
  partHeading: ({ attrs }) => (
    <p className="part-heading">
      {attrs.part}. {attrs.text}
    </p>
  ),
  paragraph: (node, dressing) => (
    <p {...placeOf(node, dressing)} {...shapeOf(node.attrs)}>
      <Inline node={node} dressing={dressing} />
    </p>
  ),
  heading: (node, dressing) => (
    <h3 data-level={node.attrs.level} {...placeOf(node, dressing)} {...shapeOf(node.attrs)}>
      <Inline node={node} dressing={dressing} />
    </h3>
  ),
  horizontalRule: () => <hr />,
  picture: ({ attrs }) => <PictureView attrs={attrs} />,
  embed: ({ attrs }) => <EmbedView attrs={attrs} />,
  clip: ({ attrs }) => <ClipView attrs={attrs} />,
  file: ({ attrs }) => <FileView attrs={attrs} />,
  blockMath: ({ attrs }) => <MathText latex={attrs.latex} ownLine />,
  codeBlock: (node, dressing) => (
    <pre tabIndex={0} role="group" aria-label="Code" {...placeOf(node, dressing)}>
      <code>
        <Inline node={node} dressing={dressing} />
      </code>
    </pre>
  ),
  blockquote: (node, dressing) => (
    <blockquote>
      <Blocks nodes={node.content} dressing={dressing} />
    </blockquote>
  ),
  table: (node, dressing) => <TableView node={node} dressing={dressing} />,
  bulletList: (node, dressing) => <ul>{itemsOf(node.content, dressing)}</ul>,
  orderedList: (node: OrderedList, dressing) => (
    <ol start={node.attrs?.start}>{itemsOf(node.content, dressing)}</ol>
  ),
};

function Block<T extends BlockNode['type']>(props: {
  node: Extract<BlockNode, { type: T }>;
  dressing: Dressing;
}) {
  const view: View<T> = VIEWS[props.node.type as T];
  return view(props.node, props.dressing);
}

/** Blocks one below the other. */
export function Blocks({ nodes, dressing }: { nodes: readonly BlockNode[]; dressing: Dressing }) {
  return nodes.map((node, i) => <Block key={i} node={node} dressing={dressing} />);
}
