import { draftPlaceSchema, draftVersions } from '@/server/drafts/versions';
import { visitor } from '../../../../_request/session';

/** The earlier versions of one's own draft. */
export async function GET(request: Request, context: { params: Promise<{ slug: string }> }) {
  const who = await visitor();
  if (!who) return Response.json({ ok: false, code: 'signed-out' }, { status: 401 });
  const { slug } = await context.params;
  const place = draftPlaceSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!place.success) return Response.json({ ok: false, code: 'not-found' }, { status: 404 });
  const versions = await draftVersions(who.deps, who.actor, slug, place.data);
  return versions.ok
    ? Response.json(versions.value)
    : Response.json({ ok: false, code: 'not-found' }, { status: 404 });
}
