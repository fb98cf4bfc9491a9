import { naming } from '@/contract/writing';
import { namesFor } from '@/server/posts/names';
import { json } from '../../../_request/endpoint';

/** Whom and which posts a text in this discussion may name. */
export const GET = json('write', naming, ({ who, params }) => namesFor(who.deps, who.actor, params.slug));
