import { app } from '@/runtime/app';
import { keySet } from '@/server/receipts/keys';
import { content } from '../../_request/endpoint';

const HOUR_S = 3_600;

/** The keys by which any program verifies a receipt. */
export const GET = content('see the keys of receipts', async () =>
  Response.json(await keySet(app().db), {
    headers: { 'content-type': 'application/jwk-set+json', 'cache-control': `public, max-age=${HOUR_S}` },
  }),
);

export const dynamic = 'force-dynamic';
