import type { Doc } from '@/core/document/nodes';
import { DocumentView } from '../document/document-view';

/** The left page while a shared post is changed: what it answers. */
export const AnsweredText = ({ title, doc }: { title: string; doc: Doc }) => (
  <div className="grow overflow-auto px-4 py-4 sm:px-6" tabIndex={0}>
    <h2 className="mb-2 text-[16px]">{title}</h2>
    <DocumentView doc={doc} />
  </div>
);
