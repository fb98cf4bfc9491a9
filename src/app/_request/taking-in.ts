import 'server-only';
import { z } from 'zod';
import type { Result } from '@/core/result';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import type { TakeInFailure } from '@/server/outside/take-in';
import type { Upload, UploadedForm } from './upload';
import { seeOther } from './write';

const MOST_TEXT_BYTES = 8_000_000;
/** What of a form is kept by which a prompt is taken in. */
export const TAKING_IN = { files: 6, fileBytes: MOST_FILE_BYTES, fieldBytes: MOST_TEXT_BYTES };

const WITHOUT = /\u0000/gu;

/** Takes a prompt in as it was sent, and leads to where it is confirmed, or back with what went wrong on the way in. */
export async function takenIn<Taken extends { id: string }, Failure extends { code: string } | TakeInFailure>(
  { fields, files }: UploadedForm,
  page: string,
  take: (given: { text: string; html: string; files: Upload[] }) => Promise<Result<Taken, Failure>>,
  next: (taken: Taken) => string,
): Promise<Response> {
  const taken = await take({
    text: (fields.get('text') ?? '').replace(WITHOUT, ''),
    html: (fields.get('html') ?? '').replace(WITHOUT, ''),
    files,
  });
  if (taken.ok) return seeOther(next(taken.value));
  const { failure } = taken;
  const { troubles, ...said } = 'troubles' in failure ? failure : { ...failure, troubles: [] };
  const all = [...troubles, ...(troubles.length && said.code === 'nothing-to-read' ? [] : [said])];
  return seeOther(`${page}?trouble=${encodeURIComponent(JSON.stringify(all).slice(0, 1_500))}`);
}

const troubles = z
  .string()
  .transform((text, context): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      context.addIssue('no JSON');
      return z.NEVER;
    }
  })
  .pipe(
    z
      .array(
        z.object({
          code: z.string().max(40),
          name: z.string().max(120).optional(),
          kind: z.string().max(10).optional(),
        }),
      )
      .max(6),
  )
  .catch([]);

/** What went wrong on the way in, out of the address one was led back to. */
export const intakeTroubles = (said: unknown) => troubles.parse(said);
