import {
  addressOf,
  type Answering,
  type CommonFailure,
  type Endpoint,
  type Failure,
  type FailureOf,
  type OutputOf,
  type Params,
} from '@/contract/endpoint';
import type { z } from 'zod';

type Said<Output, Fail> = { ok: true; value: Output } | ({ ok: false } & (Fail | CommonFailure));

/** What an endpoint answers, well or not. */
export type AnswerOf<E extends Answering> = Said<OutputOf<E>, FailureOf<E>>;

/** How a request goes: `keepalive` even while the page does; a `body` that is no JSON, its place then said in the `query`. */
export type How = {
  keepalive?: boolean;
  signal?: AbortSignal;
  body?: BodyInit;
  query?: Record<string, string>;
};

/**
 * Asks an endpoint, and never rejects: where nothing is answered, or nothing that can be read, the code is `no-answer`.
 */
export async function call<
  Path extends string,
  Sent extends z.ZodType | null,
  Output extends object | null,
  Fail extends Failure,
>(
  endpoint: Endpoint<Path, Sent, Output, Fail>,
  params: Params<Path>,
  input: Sent extends z.ZodType ? z.input<Sent> : null,
  how: How = {},
): Promise<Said<Output, Fail>> {
  const answer = await ask(endpoint, params, input, how);
  // What comes is what the contract says: the server's side of it is held to the same types.
  const said = (await answer?.json().catch(() => null)) as ({ ok: boolean } & object) | null | undefined;
  if (!said) return { ok: false, code: 'no-answer' };
  const { ok, ...rest } = said;
  return (ok ? { ok, value: rest } : said) as Said<Output, Fail>;
}

/** The file that an endpoint answers with; null where there is none. */
export async function callForFile<Path extends string, Sent extends z.ZodType>(
  endpoint: Endpoint<Path, Sent, null, Failure>,
  params: Params<Path>,
  input: z.input<Sent>,
): Promise<Blob | null> {
  const answer = await ask(endpoint, params, input, {});
  return answer?.ok ? answer.blob() : null;
}

/** Characters: 64 KiB are allowed (Fetch, 4.6), and a letter may be three of them. */
const MOST_AFTER_ITS_PAGE = 20_000;

async function ask<Path extends string>(
  { method, path }: { method: string; path: Path },
  params: Params<Path>,
  input: unknown,
  { query = {}, body, keepalive = false, ...how }: How,
): Promise<Response | null> {
  const asks = method === 'GET' || method === 'DELETE';
  const search = new URLSearchParams({ ...query, ...(asks && input ? strings(input) : {}) });
  const address = addressOf(path, params) + (search.size ? `?${search}` : '');
  const sent = body === undefined && !asks && input !== null ? JSON.stringify(input) : null;
  return fetch(address, {
    method,
    ...how,
    // More than that no browser sends for a page that goes: it would refuse the request altogether.
    keepalive: keepalive && (sent?.length ?? 0) < MOST_AFTER_ITS_PAGE,
    ...(body === undefined ? {} : { body }),
    ...(sent === null ? {} : { headers: { 'content-type': 'application/json' }, body: sent }),
  }).catch(() => null);
}

/** Fields as a query says them; what is not there is not said. */
const strings = (input: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries(input).flatMap(([key, value]) =>
      value === undefined || value === null ? [] : [[key, String(value)]],
    ),
  );
