import type { Doc } from '@/core/document/nodes';
import { DocumentView } from '../document/document-view';

/** What an announcement says, wherever it stands. */
export const AnnouncedText = ({ body, doc }: { body: string; doc: Doc | null }) =>
  doc ? (
    <DocumentView doc={doc} className="max-w-[70ch] pb-1" />
  ) : (
    body.split(/\n{2,}/u).map((p) => (
      <p key={p} className="max-w-[70ch] pb-1 text-ink-2">
        {p}
      </p>
    ))
  );
