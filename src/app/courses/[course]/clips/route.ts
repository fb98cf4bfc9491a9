import { z } from 'zod';
import { beginClip, unfinished } from '@/server/clips/record';
import { visitor, withFiles } from '../../../_request/session';
import { jsonBody, said, scripted } from '../../../_request/write';

type Context = { params: Promise<{ course: string }> };
const input = z.strictObject({ video: z.boolean() });

/** Begins to take a recording; its pieces follow while it is made. */
export const POST = (request: Request, { params }: Context) =>
  scripted(request, visitor, async (who) => {
    const read = input.safeParse(await jsonBody(request));
    if (!read.success) return said({ ok: false, failure: { code: 'malformed' } });
    return said(await beginClip(withFiles(who.deps), who.actor, (await params).course, read.data));
  });

/** One's recordings that were never finished. */
export const GET = (request: Request, { params }: Context) =>
  scripted(request, visitor, async (who) =>
    said(await unfinished(withFiles(who.deps), who.actor, (await params).course)),
  );
