import { Placeholder } from '@tiptap/extensions';
import StarterKit from '@tiptap/starter-kit';
import { EvidenceMarks } from './evidence-marks';
import { PartHeading } from './part-heading';

/** What the editor can hold: exactly what a shared document may (see core/posts/document). */
export const extensions = (placeholder: string) => [
  StarterKit.configure({
    heading: { levels: [2, 3, 4] },
    strike: false,
    code: false,
    codeBlock: false,
    underline: false,
    horizontalRule: false,
    link: { openOnClick: false, autolink: false, protocols: ['http', 'https', 'mailto'] },
  }),
  PartHeading,
  EvidenceMarks,
  Placeholder.configure({ placeholder, showOnlyCurrent: false }),
];
