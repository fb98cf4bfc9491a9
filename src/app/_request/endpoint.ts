import 'server-only';
import type { z } from 'zod';
import type { CommonFailure, Endpoint, Failure, NamesIn } from '@/contract/endpoint';
import { isOpen, type Act, type OpenAct } from '@/core/access/acts';
import type { Result } from '@/core/result';
import { enterAsSteward, type Steward } from '@/server/stewards/enter';
import { mayAt } from './acting';
import { requireVisitor, visitor, type Visitor } from './session';
import { uploadedForm, type UploadedForm } from './upload';
import { bodyFields, bodyText, fromOwnPages, isJson, unexpected } from './write';

type Context<Name extends string> = { params: Promise<Record<Name, string>> };

const STATUS: Partial<Record<string, number>> = {
  foreign: 403,
  'signed-out': 401,
  'not-found': 404,
  'too-large': 413,
  unexpected: 500,
};
/** What is refused for how things stand now, and could be taken at another time. */
const CONFLICTS = new Set([
  'already-shared',
  'answered',
  'answered-changed',
  'answered-gone',
  'changed-meanwhile',
  'closed',
  'deadline-passed',
  'gone',
  'not-open-yet',
  'opened-others',
  'other-window',
  'post-not-open',
  'reply-deadline-passed',
  'response-deadline-passed',
  'sealed',
  'thread-locked',
]);

/** A refusal as a script of ours reads it: a conflict (RFC 9110, 15.5.10), or something that cannot be taken (15.5.21). */
const refused = (failure: Failure) =>
  Response.json(
    { ok: false, ...failure },
    { status: STATUS[failure.code] ?? (CONFLICTS.has(failure.code) ? 409 : 422) },
  );

const allowed = (act: Act, who: Visitor, request: Request) => mayAt(act, who, new URL(request.url).pathname);

/** What was done or refused, for a script of ours and for nobody to keep. */
const told = (done: Result<object | null, Failure>) =>
  done.ok
    ? Response.json({ ok: true, ...done.value }, { headers: { 'cache-control': 'private, no-store' } })
    : refused(done.failure);

const common = (failure: CommonFailure) => refused(failure);

async function inputOf(
  request: Request,
  { method, input, most }: Pick<Endpoint<string, z.ZodType | null, null, never>, 'method' | 'input' | 'most'>,
): Promise<Result<unknown, CommonFailure>> {
  if (!input) return { ok: true, value: null };
  let sent: unknown;
  if (method === 'GET' || method === 'DELETE') sent = Object.fromEntries(new URL(request.url).searchParams);
  else {
    const text = await bodyText(request, most);
    if (text === null) return { ok: false, failure: { code: 'too-large' } };
    try {
      sent = JSON.parse(text);
    } catch {
      return { ok: false, failure: { code: 'malformed' } };
    }
  }
  const read = input.safeParse(sent);
  return read.success ? { ok: true, value: read.data } : { ok: false, failure: { code: 'malformed' } };
}

/**
 * An endpoint that scripts of our own pages call. Before the use-case is asked: the request comes from our own pages, somebody
 * is signed in and may do this by the table of acts, and what was sent is no larger and no other than the contract says, measured while it is read. An error that
 * nobody foresaw is logged whole and told by its number.
 */
export const json =
  <Path extends string, Sent extends z.ZodType | null, Output extends object | null, Fail extends Failure>(
    name: Act,
    endpoint: Endpoint<Path, Sent, Output, Fail>,
    act: (asked: {
      who: Visitor;
      params: Record<NamesIn<Path>, string>;
      input: Sent extends z.ZodType ? z.output<Sent> : null;
      request: Request;
    }) => Promise<Result<Output, Fail | { code: 'not-found' }> | Response>,
  ) =>
  async (request: Request, context: Context<NamesIn<Path>>): Promise<Response> => {
    if (!fromOwnPages(request)) return common({ code: 'foreign' });
    try {
      const who = await visitor();
      if (!who) return common({ code: 'signed-out' });
      if (!(await allowed(name, who, request))) return common({ code: 'not-found' });
      const input = await inputOf(request, endpoint);
      if (!input.ok) return common(input.failure);
      const done = await act({
        who,
        params: await context.params,
        input: input.value as Sent extends z.ZodType ? z.output<Sent> : null,
        request,
      });
      // A file is an answer too.
      if (done instanceof Response) return done;
      return told(done);
    } catch (error) {
      return common(unexpected(error, request));
    }
  };

/** An endpoint that scripts of our own pages call where nobody is signed in yet. */
export const openJson =
  <Path extends string, Sent extends z.ZodType | null, Output extends object | null, Fail extends Failure>(
    _: OpenAct,
    endpoint: Endpoint<Path, Sent, Output, Fail>,
    act: (asked: { input: Sent extends z.ZodType ? z.output<Sent> : null }) => Promise<Result<Output, Fail>>,
  ) =>
  async (request: Request): Promise<Response> => {
    if (!fromOwnPages(request)) return common({ code: 'foreign' });
    try {
      const input = await inputOf(request, endpoint);
      if (!input.ok) return common(input.failure);
      return told(await act({ input: input.value as Sent extends z.ZodType ? z.output<Sent> : null }));
    } catch (error) {
      return common(unexpected(error, request));
    }
  };

const NOTHING_HERE = 'There is nothing at this address.\n';
const LOOK_AFTER = 'look after the installation';
const FOREIGN = 'This form was not sent from Pulpit.\n';

type Sent<Name extends string> = {
  who: Visitor;
  params: Record<Name, string>;
  page: string;
  request: Request;
};

/** A form of our own pages by somebody signed in; whoever is signed out comes back to `page` after signing in. */
const formRead =
  <Name extends string, Read extends object>(
    name: Act,
    page: (params: Record<Name, string>) => string,
    read: (request: Request) => Promise<Read>,
    act: (sent: Sent<Name> & Read) => Promise<Response>,
  ) =>
  async (request: Request, context: Context<Name>): Promise<Response> => {
    if (!fromOwnPages(request)) return new Response(FOREIGN, { status: 403 });
    const params = await context.params;
    const here = page(params);
    const who = await requireVisitor(here);
    if (!(await allowed(name, who, request))) return new Response(NOTHING_HERE, { status: 404 });
    return act({ who, params, page: here, request, ...(await read(request)) });
  };

/** A form of our own pages, sent with or without scripts. */
export const form = <Name extends string = never>(
  name: Act,
  page: (params: Record<Name, string>) => string,
  act: (sent: Sent<Name> & { fields: URLSearchParams }) => Promise<Response>,
) => formRead(name, page, async (request) => ({ fields: await bodyFields(request) }), act);

/** A form with files, of which no more is kept than `limits` say. */
export const uploadForm = <Name extends string = never>(
  name: Act,
  limits: Parameters<typeof uploadedForm>[1],
  page: (params: Record<Name, string>) => string,
  act: (sent: Sent<Name> & UploadedForm) => Promise<Response>,
) => formRead(name, page, (request) => uploadedForm(request, limits), act);

type OfSteward<Name extends string> = Sent<Name> & { steward: Steward };

const onlyStewards =
  <Name extends string, Read extends object>(act: (sent: OfSteward<Name> & Read) => Promise<Response>) =>
  async (sent: Sent<Name> & Read): Promise<Response> => {
    const door = await enterAsSteward(sent.who.deps, sent.who.actor);
    return door.ok ? act({ ...sent, steward: door.value }) : new Response(NOTHING_HERE, { status: 404 });
  };

/** A form of the stewards' pages. To everybody else there is nothing at its address. */
export const stewardForm = <Name extends string = never>(
  page: (params: Record<Name, string>) => string,
  act: (sent: OfSteward<Name> & { fields: URLSearchParams }) => Promise<Response>,
) => form(LOOK_AFTER, page, onlyStewards<Name, { fields: URLSearchParams }>(act));

/** The same with files. */
export const stewardUpload = <Name extends string = never>(
  limits: Parameters<typeof uploadedForm>[1],
  page: (params: Record<Name, string>) => string,
  act: (sent: OfSteward<Name> & UploadedForm) => Promise<Response>,
) => uploadForm(LOOK_AFTER, limits, page, onlyStewards<Name, UploadedForm>(act));

/** A form that anybody may send, signed in or not. */
export const openForm =
  (_: OpenAct, act: (sent: { fields: URLSearchParams; request: Request }) => Promise<Response>) =>
  async (request: Request): Promise<Response> =>
    fromOwnPages(request)
      ? act({ fields: await bodyFields(request), request })
      : new Response(FOREIGN, { status: 403 });

/** What a script sends in JSON goes to the one, a plain form to the other. */
export const byContent =
  <Name extends string>(
    script: (request: Request, context: Context<Name>) => Promise<Response>,
    plain: (request: Request, context: Context<Name>) => Promise<Response>,
  ) =>
  (request: Request, context: Context<Name>): Promise<Response> =>
    (isJson(request) ? script : plain)(request, context);

/** Gives something out; what nobody foresaw is logged, and told with the number of the request. */
async function given(request: Request, give: () => Promise<Response>): Promise<Response> {
  try {
    return await give();
  } catch (error) {
    const { id } = unexpected(error, request);
    return new Response(`This cannot be given out just now. Try again later (${id}).\n`, { status: 503 });
  }
}

/**
 * What is looked at or saved, and is no JSON of a page: a file, a feed, a stream. `act` asks who is there, where it matters,
 * and says what to whoever must not see it.
 */
export const content =
  <Name extends string = never>(
    name: Act,
    act: (asked: {
      visitor: () => Promise<Visitor | null>;
      params: Record<Name, string>;
      request: Request;
    }) => Promise<Response>,
  ) =>
  (request: Request, context: Context<Name>): Promise<Response> =>
    given(request, async () => {
      const params = await context.params;
      if (isOpen(name)) return act({ visitor, params, request });
      // Who is there is asked once.
      const who = await visitor();
      if (who && !(await allowed(name, who, request))) return new Response(NOTHING_HERE, { status: 404 });
      return act({ visitor: () => Promise.resolve(who), params, request });
    });

/** The same for what is looked at by itself: whoever is signed out signs in and comes back to it, or to the `page` around it. */
export const ownContent =
  <Name extends string = never>(
    name: Act,
    page: (params: Record<Name, string>) => string,
    act: (asked: { who: Visitor; params: Record<Name, string>; request: Request }) => Promise<Response>,
  ) =>
  async (request: Request, context: Context<Name>): Promise<Response> => {
    const params = await context.params;
    const who = await requireVisitor(page(params));
    return given(request, async () =>
      (await allowed(name, who, request))
        ? act({ who, params, request })
        : new Response(NOTHING_HERE, { status: 404 }),
    );
  };
