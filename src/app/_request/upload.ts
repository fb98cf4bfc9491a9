import 'server-only';
import busboy from 'busboy';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';

export type Upload = { name: string; bytes: Buffer; cut: boolean };
export type UploadedForm = { fields: URLSearchParams; files: Upload[] };

/**
 * A multipart form with files, of each file at most so many bytes: what comes after is read off the wire and thrown away,
 * so that no size of file takes more memory than that. A broken form gives what arrived of it.
 */
export function uploadedForm(
  request: Request,
  limits: { files: number; fileBytes: number; fieldBytes: number },
): Promise<UploadedForm> {
  const body = request.body;
  const read: UploadedForm = { fields: new URLSearchParams(), files: [] };
  if (!body) return Promise.resolve(read);
  return new Promise((resolve) => {
    let form: busboy.Busboy;
    try {
      form = busboy({
        headers: { 'content-type': request.headers.get('content-type') ?? '' },
        defParamCharset: 'utf8',
        limits: {
          files: limits.files,
          fileSize: limits.fileBytes,
          fields: 20,
          fieldSize: limits.fieldBytes,
        },
      });
    } catch {
      // busboy throws on a content type that is no form: there is nothing in it.
      resolve(read);
      return;
    }
    form.on('field', (name, value) => read.fields.append(name, value));
    form.on('file', (_field, stream, info) => {
      const chunks: Buffer[] = [];
      let cut = false;
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('limit', () => (cut = true));
      stream.on('close', () => {
        const name = info.filename ?? '';
        // A field for a file that was left empty arrives as a file without a name.
        if (name || chunks.length) read.files.push({ name, bytes: Buffer.concat(chunks), cut });
      });
    });
    form.on('close', () => resolve(read));
    form.on('error', () => resolve(read));
    const source = Readable.fromWeb(body as ReadableStream);
    source.on('error', () => resolve(read));
    source.pipe(form);
  });
}
