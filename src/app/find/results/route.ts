import { finding } from '@/contract/find';
import { ok } from '@/core/result';
import { find } from '@/server/find/find';
import { json } from '../../_request/endpoint';

/** What the palette shows while one types. */
export const GET = json('look for something', finding, async ({ who, input }) =>
  ok(await find(who.deps, who.actor, input.q)),
);
