import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import Subscript from '@tiptap/extension-subscript';
import Superscript from '@tiptap/extension-superscript';
import TextAlign from '@tiptap/extension-text-align';
import { Placeholder } from '@tiptap/extensions';
import StarterKit from '@tiptap/starter-kit';
import type { OpenNote } from './fields';
import { NoteNode } from './notes';
import type { SendingFiles } from '../../attachments/sending';
import { UploadPlaces } from '../../attachments/upload-places';
import { ClipNode, EmbedNode, FileNode, PictureNode } from './attachments';
import { CleanPaste } from './clean-paste';
import { EvidenceMarks } from './evidence-marks';
import { BlockMath, InlineMath, type OpenFormula } from './formulas';
import { Indent } from './indent';
import { InkMark } from './ink';
import { MentionMark, PostReferenceMark } from './names';
import { PastedLinks } from './pasted-links';
import { LockedHeadings } from './locked-headings';
import { PartHeading } from './part-heading';
import { TextVersions } from './text-versions';
import { SureFocus } from './sure-focus';
import { Suggest, type NameStore } from './suggest';

/** What the editor can hold: exactly what a shared document may (see core/posts/document). */
export const extensions = (options: {
  placeholder: string;
  openFormula: OpenFormula;
  openNote: OpenNote;
  names: NameStore;
  sending: SendingFiles;
}) => [
  StarterKit.configure({
    heading: { levels: [2, 3, 4] },
    link: {
      openOnClick: false,
      autolink: true,
      defaultProtocol: 'https',
      protocols: ['http', 'https', 'mailto'],
      // "pays.It" is two sentences and no address: only what is written as one becomes a link.
      shouldAutoLink: (url) => /^(?:https?:\/\/|www\.)[^\s.]+\.[^\s]+$/iu.test(url),
    },
  }),
  Subscript,
  Superscript,
  TextAlign.configure({
    types: ['heading', 'paragraph'],
    alignments: ['left', 'center', 'right', 'justify'],
  }),
  // Columns are as wide as their words: a width set on one screen is wrong on the next.
  Table.configure({ resizable: false }),
  TableRow,
  TableHeader,
  TableCell,
  Indent,
  InkMark,
  MentionMark,
  PostReferenceMark,
  InlineMath.configure({ open: options.openFormula }),
  BlockMath.configure({ open: options.openFormula }),
  NoteNode.configure({ open: options.openNote }),
  PictureNode,
  FileNode,
  ClipNode,
  EmbedNode,
  PastedLinks,
  CleanPaste,
  UploadPlaces.configure({ sending: options.sending }),
  Suggest.configure({ store: options.names }),
  PartHeading,
  LockedHeadings,
  TextVersions,
  EvidenceMarks,
  SureFocus,
  Placeholder.configure({ placeholder: options.placeholder, showOnlyCurrent: false }),
];
