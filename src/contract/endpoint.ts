import type { z } from 'zod';

/** The names in an address: those of `/discussions/:slug/posts/:post` are `slug` and `post`. */
export type NamesIn<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | NamesIn<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

/** What stands in an address in the place of its names. */
export type Params<Path extends string> = Readonly<Record<NamesIn<Path>, string | number>>;

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** Something that went wrong as it was foreseen: a code, and what else there is to say of it. */
export type Failure = { code: string };

/** What any endpoint may answer besides its own failures; the last is what a browser says when nothing was answered. */
export type CommonFailure =
  | { code: 'foreign' }
  | { code: 'signed-out' }
  | { code: 'too-large' }
  | { code: 'malformed' }
  | { code: 'not-found' }
  | { code: 'unexpected'; id: string }
  | { code: 'no-answer' };

declare const answers: unique symbol;

/**
 * One thing that a page asks of the server: where, how, what it sends, and what comes back. Both sides read it here: the
 * server's `json()` and the browser's `call()` hold to the same types.
 */
export type Endpoint<
  Path extends string,
  Sent extends z.ZodType | null,
  Output extends object | null,
  Fail extends Failure,
> = {
  method: Method;
  path: Path;
  /** What is sent: the body in JSON, or with GET and DELETE the query. */
  input: Sent;
  /** The most bytes of a body; more is not read. */
  most: number;
  /** Only the compiler knows of this. */
  readonly [answers]?: { output: Output; failure: Fail };
};

export type Answering = { readonly [answers]?: { output: object | null; failure: Failure } };
export type OutputOf<E extends Answering> = NonNullable<E[typeof answers]>['output'];
export type FailureOf<E extends Answering> = NonNullable<E[typeof answers]>['failure'];

/** More than the largest post in JSON. */
const MOST_BYTES = 1_000_000;

/**
 * Describes an endpoint that answers with `Output`, or with one of its failures.
 *
 * @example answers<{ n: number }, { code: 'gone' }>()('PUT', '/discussions/:slug/posts/:post', changeSchema)
 */
export const answersWith =
  <Output extends object | null, Fail extends Failure = never>() =>
  <const Path extends string, Sent extends z.ZodType | null = null>(
    method: Method,
    path: Path,
    input: Sent = null as Sent,
    most = MOST_BYTES,
  ): Endpoint<Path, Sent, Output, Fail> => ({ method, path, input, most });

/** The address of an endpoint or page with its names filled in. */
export const addressOf = <Path extends string>(path: Path, params: Params<Path>): string =>
  path.replace(/:([a-z]+)/giu, (_, name: string) =>
    encodeURIComponent(String((params as Record<string, string | number>)[name] ?? '')),
  );
