import 'server-only';
import busboy from 'busboy';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';

export type Upload = { name: string; bytes: Buffer; cut: boolean };

/**
 * The first file of a multipart form, at most so many bytes of it: what comes after is read off the wire and thrown
 * away, so that no size of file takes more memory than that. Null where no file arrived or the form is broken.
 */
export function firstFile(request: Request, mostBytes: number): Promise<Upload | null> {
  const body = request.body;
  if (!body) return Promise.resolve(null);
  return new Promise((resolve) => {
    let upload: Upload | null = null;
    let form: busboy.Busboy;
    try {
      form = busboy({
        headers: { 'content-type': request.headers.get('content-type') ?? '' },
        defParamCharset: 'utf8',
        limits: { files: 1, fileSize: mostBytes, fields: 5, fieldSize: 1_000 },
      });
    } catch {
      // busboy throws on a content type that is no form: there is no file in it.
      resolve(null);
      return;
    }
    form.on('file', (_field, stream, info) => {
      const chunks: Buffer[] = [];
      let cut = false;
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('limit', () => (cut = true));
      stream.on('close', () => (upload = { name: info.filename ?? '', bytes: Buffer.concat(chunks), cut }));
    });
    form.on('close', () => resolve(upload && (upload.name || upload.bytes.length) ? upload : null));
    form.on('error', () => resolve(upload));
    const source = Readable.fromWeb(body as ReadableStream);
    source.on('error', () => resolve(null));
    source.pipe(form);
  });
}
