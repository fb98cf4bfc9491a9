import { addToShelf, newSourceSchema, shelfOf, takeFromShelf } from '@/server/sources/shelf';
import { visitor } from '../../../_request/session';
import { fromOwnPages, jsonBody } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };
const refuse = (status: number, code: string) => Response.json({ ok: false, code }, { status });

/** One's shelf of sources in this course, each as the styles cite it. */
export async function GET(_request: Request, { params }: Context) {
  const who = await visitor();
  if (!who) return refuse(401, 'signed-out');
  const shelf = await shelfOf(who.deps, who.actor, (await params).slug);
  return shelf.ok
    ? Response.json(shelf.value)
    : refuse(shelf.failure.code === 'not-found' ? 404 : 503, shelf.failure.code);
}

/** Puts sources on the shelf. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return refuse(403, 'foreign');
  const who = await visitor();
  if (!who) return refuse(401, 'signed-out');
  const read = newSourceSchema.safeParse(await jsonBody(request));
  if (!read.success) return refuse(422, 'no-source');
  const done = await addToShelf(who.deps, who.actor, (await params).slug, read.data);
  return done.ok ? Response.json({ ok: true, ...done.value }) : refuse(422, done.failure.code);
}

/** Takes one off it. */
export async function DELETE(request: Request) {
  if (!fromOwnPages(request)) return refuse(403, 'foreign');
  const who = await visitor();
  if (!who) return refuse(401, 'signed-out');
  await takeFromShelf(who.deps, who.actor, new URL(request.url).searchParams.get('id') ?? '');
  return Response.json({ ok: true });
}
