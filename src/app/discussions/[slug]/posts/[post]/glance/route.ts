import { glance } from '@/server/posts/glance';
import { visitor } from '../../../../../_request/session';
import { said, scripted } from '../../../../../_request/write';

type Context = { params: Promise<{ slug: string; post: string }> };

/** The beginning of a post that a text points at. */
export const GET = (request: Request, { params }: Context) =>
  scripted(request, visitor, async (who) => {
    const { slug, post } = await params;
    const n = /^\d{1,15}$/u.test(post) ? Number(post) : 0;
    return said(await glance(who.deps, who.actor, slug, n));
  });
