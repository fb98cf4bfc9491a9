import { learnWord, proofreading, wordSchema } from '@/server/proofread/proofreading';
import { visitor } from '../../../_request/session';
import { fromOwnPages, jsonBody } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };
const refuse = (status: number, code: string) => Response.json({ ok: false, code }, { status });

/** What reading a draft over needs to know of its course and its writer. */
export async function GET(_request: Request, { params }: Context) {
  const who = await visitor();
  if (!who) return refuse(401, 'signed-out');
  const found = await proofreading(who.deps, who.actor, (await params).slug);
  return found.ok ? Response.json(found.value) : refuse(404, 'not-found');
}

/** A word that is spelt right. */
export async function POST(request: Request, { params }: Context) {
  if (!fromOwnPages(request)) return refuse(403, 'foreign');
  const who = await visitor();
  if (!who) return refuse(401, 'signed-out');
  const read = wordSchema.safeParse(await jsonBody(request));
  if (!read.success) return refuse(422, 'not-a-word');
  const done = await learnWord(who.deps, who.actor, (await params).slug, read.data);
  return done.ok ? Response.json({ ok: true }) : refuse(404, 'not-found');
}
