'use client';

import { attachmentAt } from '@/contract/addresses';
import type { Picture } from '@/core/document/nodes';
import { useEffect, useRef, useState } from 'react';
import type { PictureLarge } from './picture-large';

/** What shows it large comes behind the page: a page without pictures needs none of it. */
const fetched = () => import('./picture-large').then((m) => m.PictureLarge);

/** A picture in a shared text; pressed, it fills the screen. Without scripts the press leads to the picture itself. */
export function PictureView({ attrs }: { attrs: Picture['attrs'] }) {
  const { file, width, height, alt, caption, size, place } = attrs;
  const [open, setOpen] = useState<{ Large: typeof PictureLarge } | null>(null);
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => void fetched().catch(() => undefined), []);
  const address = attachmentAt(file);
  const said = alt || caption || 'Picture without a description';
  return (
    <figure className="picture" data-place={place ?? ''} style={size ? { width: `${size}%` } : undefined}>
      <a
        ref={link}
        href={address}
        aria-haspopup="dialog"
        data-opens-here=""
        aria-label={`${said}: see it large`}
        onClick={(e) => {
          if (e.metaKey || e.ctrlKey || e.shiftKey) return;
          e.preventDefault();
          fetched().then(
            (Large) => setOpen({ Large }),
            () => window.location.assign(address),
          );
        }}
      >
        {/* Only the server knows who may see it, so nothing in between may keep or change it. */}
        {/* eslint-disable-next-line @next/next/no-img-element */}
        <img src={address} alt={alt} width={width} height={height} loading="lazy" decoding="async" />
      </a>
      {open ? (
        <open.Large address={address} alt={alt} said={said} from={link} onClose={() => setOpen(null)} />
      ) : null}
      {caption ? <figcaption>{caption}</figcaption> : null}
    </figure>
  );
}
