'use client';

import { attachmentAt } from '@/contract/addresses';
import { fileKind } from '@/core/document/attachments';
import type { AttachedFile } from '@/core/document/nodes';
import { FileText } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { fileTypeText, sizeText } from '../words/files';
import { TextInside } from './text-inside';

const PdfInside = lazy(() => import('./pdf-inside'));

/** A file in a shared text: what it is, to be saved, and looked into on the spot where a browser can show it. */
export function FileView({ attrs }: { attrs: AttachedFile['attrs'] }) {
  const [open, setOpen] = useState(false);
  const { file, name, mediaType, bytes } = attrs;
  const address = attachmentAt(file);
  const kind = fileKind(mediaType);
  return (
    <div className="my-3 rounded-control border border-rule bg-page-2 px-3 py-2 font-sans text-[14px]">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
        <FileText size={18} aria-hidden className="shrink-0 text-ink-2" />
        <span className="min-w-0 grow basis-40">
          <b className="block break-words">{name}</b>
          <span className="text-[12.5px] text-ink-2">
            {fileTypeText(mediaType)}, {sizeText(bytes)}
          </span>
        </span>
        {kind === 'pdf' || kind === 'text' ? (
          <button type="button" className="btn" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Close it' : 'Look inside'}
            <span className="sr-only"> {name}</span>
          </button>
        ) : null}
        <a className="btn" href={address} download={name}>
          Save<span className="sr-only"> {name}</span>
        </a>
      </div>
      {kind === 'audio' ? (
        <audio controls preload="none" src={address} className="mt-2 w-full" aria-label={name} />
      ) : null}
      {kind === 'video' ? (
        <video
          controls
          preload="metadata"
          src={address}
          className="mt-2 max-h-[70vh] w-full"
          aria-label={name}
        />
      ) : null}
      {open && kind === 'text' ? <TextInside address={address} name={name} /> : null}
      {open && kind === 'pdf' ? (
        <Suspense fallback={<p className="mt-2 text-ink-2">Opening…</p>}>
          <PdfInside address={address} name={name} />
        </Suspense>
      ) : null}
    </div>
  );
}
