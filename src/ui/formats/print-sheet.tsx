'use client';

import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { DocumentView } from '../document/document-view';
import type { Text } from './save-text';

export type Paper = 'A4' | 'letter';

/** Every picture of the sheet is there, or cannot be had. */
const drawn = (sheet: ParentNode) =>
  Promise.all([...sheet.querySelectorAll('img')].map((image) => image.decode().catch(() => undefined)));

/** A text as a sheet of paper, and nothing else of the page: printed as soon as its pictures are there. */
export function PrintSheet(props: { text: Text; by: string; paper: Paper; done: () => void }) {
  const { text, paper, done } = props;
  useEffect(() => {
    let gone = false;
    const sheet = document.querySelector('.print-sheet');
    window.addEventListener('afterprint', done, { once: true });
    void drawn(sheet ?? document).then(() => {
      if (!gone) window.print();
    });
    return () => {
      gone = true;
      window.removeEventListener('afterprint', done);
    };
  }, [done]);
  return createPortal(
    <article className="print-sheet">
      <style>{`@page { size: ${paper}; margin: 22mm 20mm; }`}</style>
      {text.title ? <h1>{text.title}</h1> : null}
      <p className="print-by">{props.by}</p>
      <DocumentView doc={text.doc} />
    </article>,
    document.body,
  );
}
