import 'server-only';
import { changeMaterial, materialSchema, type Which } from '@/server/courses/material';
import { visitor } from './session';
import { jsonBody, said, scripted } from './write';

/** Puts a text that was changed on the desk in a reading's or a prompt's place. */
export const putMaterial = (request: Request, which: Which) =>
  scripted(request, visitor, async (who) => {
    const read = materialSchema.safeParse(await jsonBody(request));
    if (!read.success) return said({ ok: false, failure: { code: 'document-malformed' } });
    return said(await changeMaterial(who.deps, who.actor, which, read.data));
  });
