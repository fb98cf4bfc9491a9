'use client';

import { INKS } from '@/core/document/limits';
import type { Editor } from '@tiptap/core';
import {
  AlignCenter,
  AlignJustify,
  AlignLeft,
  AlignRight,
  Code,
  PanelBottom,
  IndentDecrease,
  IndentIncrease,
  Minus,
  Palette,
  Sigma,
  SquareCode,
  Strikethrough,
  Subscript,
  Superscript,
  Table,
} from 'lucide-react';
import { Tool, ToolMenu, type Choice } from './tool';

const INK_NAMES = { pine: 'Green ink', ochre: 'Brown ink', brick: 'Red ink', sky: 'Blue ink' } as const;
const ALIGNMENTS = [
  ['left', 'To the left', AlignLeft],
  ['center', 'In the middle', AlignCenter],
  ['right', 'To the right', AlignRight],
  ['justify', 'To both sides', AlignJustify],
] as const;

/** What the second row of tools shows as chosen. */
export const moreState = (e: Editor) => ({
  strike: e.isActive('strike'),
  code: e.isActive('code'),
  subscript: e.isActive('subscript'),
  superscript: e.isActive('superscript'),
  codeBlock: e.isActive('codeBlock'),
  table: e.isActive('table'),
  ink: String(e.getAttributes('ink').name ?? ''),
  align: ALIGNMENTS.find(([name]) => e.isActive({ textAlign: name }))?.[0] ?? 'left',
});

function tableChoices(editor: Editor, inside: boolean): Choice[] {
  const run = () => editor.chain().focus();
  if (!inside) {
    return [2, 3, 4].map((cols) => ({
      label: `Table of ${cols} columns`,
      run: () => run().insertTable({ rows: 3, cols, withHeaderRow: true }).run(),
    }));
  }
  return [
    { label: 'Row above', run: () => run().addRowBefore().run() },
    { label: 'Row below', run: () => run().addRowAfter().run() },
    { label: 'Column before', run: () => run().addColumnBefore().run() },
    { label: 'Column after', run: () => run().addColumnAfter().run() },
    { label: 'Headings on or off', run: () => run().toggleHeaderRow().run() },
    { label: 'Take this row out', run: () => run().deleteRow().run() },
    { label: 'Take this column out', run: () => run().deleteColumn().run() },
    { label: 'Take the table out', run: () => run().deleteTable().run() },
  ];
}

/** The tools one needs less often. */
export function MoreTools(props: {
  editor: Editor;
  on: ReturnType<typeof moreState>;
  formula: () => void;
  note: () => void;
}) {
  const { editor, on } = props;
  const run = () => editor.chain().focus();
  const Align = ALIGNMENTS.find(([name]) => name === on.align)?.[2] ?? AlignLeft;
  return (
    <>
      <Tool label="Strike out" keys="Ctrl+Shift+S" on={on.strike} run={() => run().toggleStrike().run()}>
        <Strikethrough size={16} aria-hidden />
      </Tool>
      <Tool label="Raised" keys="Ctrl+." on={on.superscript} run={() => run().toggleSuperscript().run()}>
        <Superscript size={16} aria-hidden />
      </Tool>
      <Tool label="Lowered" keys="Ctrl+," on={on.subscript} run={() => run().toggleSubscript().run()}>
        <Subscript size={16} aria-hidden />
      </Tool>
      <ToolMenu
        label="Ink"
        sign={<Palette size={16} aria-hidden />}
        on={on.ink !== ''}
        choices={[
          { label: 'The page’s ink', on: on.ink === '', run: () => run().setInk(null).run() },
          ...INKS.map((name) => ({
            label: INK_NAMES[name],
            on: on.ink === name,
            run: () => run().setInk(name).run(),
            sign: (
              <span aria-hidden className="text font-bold" style={{ maxWidth: 'none' }}>
                <span data-ink={name}>Aa</span>
              </span>
            ),
          })),
        ]}
      />
      <ToolMenu
        label="Alignment"
        sign={<Align size={16} aria-hidden />}
        choices={ALIGNMENTS.map(([name, label]) => ({
          label,
          on: on.align === name,
          run: () => (name === 'left' ? run().unsetTextAlign() : run().setTextAlign(name)).run(),
        }))}
      />
      <Tool label="Less far in" keys="Ctrl+[" run={() => run().setIn(-1).run()}>
        <IndentDecrease size={16} aria-hidden />
      </Tool>
      <Tool label="Further in" keys="Ctrl+]" run={() => run().setIn(1).run()}>
        <IndentIncrease size={16} aria-hidden />
      </Tool>
      <ToolMenu
        label="Table"
        sign={<Table size={16} aria-hidden />}
        on={on.table}
        choices={tableChoices(editor, on.table)}
      />
      <Tool label="Line across" run={() => run().setHorizontalRule().run()}>
        <Minus size={16} aria-hidden />
      </Tool>
      <Tool label="Formula" run={props.formula}>
        <Sigma size={16} aria-hidden />
      </Tool>
      <Tool label="Note at the foot" keys="Ctrl+Alt+F" run={props.note}>
        <PanelBottom size={16} aria-hidden />
      </Tool>
      <Tool label="Code" keys="Ctrl+E" on={on.code} run={() => run().toggleCode().run()}>
        <Code size={16} aria-hidden />
      </Tool>
      <Tool
        label="Block of code"
        keys="Ctrl+Alt+C"
        on={on.codeBlock}
        run={() => run().toggleCodeBlock().run()}
      >
        <SquareCode size={16} aria-hidden />
      </Tool>
    </>
  );
}
