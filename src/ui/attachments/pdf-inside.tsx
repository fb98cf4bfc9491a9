'use client';

import { getDocument, GlobalWorkerOptions, type PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';

const WIDTH = 900;

/** The pages of a PDF, one at a time, drawn by a worker: nothing in the file can run. */
export default function PdfInside({ address, name }: { address: string; name: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [pdf, setPdf] = useState<PDFDocumentProxy | null>(null);
  const [n, setN] = useState(1);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    GlobalWorkerOptions.workerPort ??= new Worker(
      new URL('pdfjs-dist/build/pdf.worker.min.mjs', import.meta.url),
      { type: 'module' },
    );
    const loading = getDocument({ url: address, isEvalSupported: false, enableXfa: false });
    loading.promise.then(setPdf, () => setFailed(true));
    return () => void loading.destroy();
  }, [address]);
  useEffect(() => {
    if (!pdf) return;
    let gone = false;
    void (async () => {
      const page = await pdf.getPage(n);
      const target = canvas.current;
      if (gone || !target) return;
      const scale = WIDTH / page.getViewport({ scale: 1 }).width;
      const viewport = page.getViewport({ scale });
      target.width = viewport.width;
      target.height = viewport.height;
      const context = target.getContext('2d');
      if (context) await page.render({ canvasContext: context, viewport }).promise;
    })().catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [pdf, n]);
  if (failed) return <p className="mt-2">It could not be opened here. Save it to read it.</p>;
  return (
    <div className="mt-2">
      {pdf && pdf.numPages > 1 ? (
        <p className="mb-1.5 flex items-center gap-2 text-[13px]">
          <button type="button" className="btn !min-h-8 !py-1" disabled={n === 1} onClick={() => setN(n - 1)}>
            Page before
          </button>
          <span aria-live="polite">
            {n} of {pdf.numPages}
          </span>
          <button
            type="button"
            className="btn !min-h-8 !py-1"
            disabled={n === pdf.numPages}
            onClick={() => setN(n + 1)}
          >
            Next page
          </button>
        </p>
      ) : null}
      <canvas
        ref={canvas}
        role="img"
        aria-label={`${name}, page ${n}. Save it to have it read to you.`}
        className="max-h-[80vh] w-full max-w-full border border-rule bg-white object-contain"
      />
    </div>
  );
}
