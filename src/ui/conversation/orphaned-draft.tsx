'use client';

import type { Doc } from '@/core/document/nodes';
import { CopyOut } from '../outside/copy-out';
import { DocumentView } from '../document/document-view';
import { calledName } from '../words/plural';

/** The post that was to be answered is gone; what was written to it is here. */
export const OrphanedDraft = ({ name, draft }: { name: string; draft: Doc }) => (
  <div className="grow overflow-auto px-4 py-5 sm:px-6">
    <h2 className="text-[17px]">The post you were answering is gone</h2>
    <p className="mt-1 text-[14.5px] text-ink-2">
      {calledName(name)} withdrew it, or staff have hidden it, so it cannot be answered. What you wrote is
      kept, and is yours to take to another classmate:
    </p>
    <p className="mt-3">
      <CopyOut text={() => ({ title: '', doc: draft })} />
    </p>
    <DocumentView doc={draft} className="mt-4 border-t border-rule pt-4" />
  </div>
);
