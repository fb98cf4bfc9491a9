import type { NotRead } from './not-read';
import { z } from 'zod';
import type { ChangeRefusal, Refusal } from '@/core/counting/permission';
import type { VersionReason } from '@/core/drafts/history';
import type { Instant, Role } from '@/core/ids';
import { LONGEST_PASSAGE } from '@/core/notes/anchor';
import { LIMITS } from '@/core/document/limits';
import { storable, type DocumentFailure } from '@/core/document/document';
import type { Doc } from '@/core/document/nodes';
import type { PostId } from '@/core/ids';
import type { NamedPerson, NamedPost } from '@/core/document/names';
import { answersWith } from './endpoint';

const kind = z.enum(['response', 'reply']);
const title = z.string().max(LIMITS.titleLength).transform(storable);

export const draftInputSchema = z.strictObject({
  kind,
  parent: z.number().int().positive().nullable(),
  submission: z.uuid(),
  title,
  doc: z.unknown(),
  /** The revision this text was written on; 0 when the draft was new. */
  base: z.number().int().min(0),
  /** `replace`: this text shall stand and the other be kept aside. `aside`: keep this one aside. */
  conflict: z.enum(['tell', 'replace', 'aside']).default('tell'),
  /** The shared post this text is to change. */
  edits: z.number().int().positive().nullish(),
  /** An earlier version takes the place of what is there, which then stays as a version itself. */
  restoring: z.boolean().optional(),
  /** The page that keeps it, and which of its keeps this is: two that cross on the way are told apart. */
  window: z
    .strictObject({ id: z.uuid(), nth: z.number().int().positive(), after: z.uuid().nullable() })
    .optional(),
});
export type DraftInput = z.infer<typeof draftInputSchema>;

export type Kept = { revision: number; keptAt: Instant; submission: string };
/** The text that another window kept meanwhile. */
export type OtherText = { title: string; doc: Doc; keptAt: Instant; revision: number; submission: string };
export type KeepFailure =
  | DocumentFailure
  | { code: 'not-found' }
  | { code: 'already-shared' }
  | { code: 'post-not-open' }
  | ({ code: 'other-window' } & OtherText);

/** Keeps a draft while one writes. */
export const keepingDraft = answersWith<Kept, KeepFailure>()(
  'PUT',
  '/discussions/:slug/draft',
  draftInputSchema,
);

/** Which draft is meant, as an address says it. */
export const draftPlaceSchema = z.object({
  kind,
  parent: z.coerce.number().int().positive().optional(),
  edits: z.coerce.number().int().positive().optional(),
});
export type DraftVersionLine = {
  id: string;
  keptAt: Instant;
  reason: VersionReason;
  title: string;
  words: number;
};

/** The earlier versions of one's own draft, newest first. */
export const draftVersionList = answersWith<{ versions: DraftVersionLine[] }>()(
  'GET',
  '/discussions/:slug/draft/versions',
  draftPlaceSchema,
);
/** The text of one of them. */
export const draftVersionText = answersWith<{ title: string; doc: Doc }>()(
  'GET',
  '/discussions/:slug/draft/versions/:id',
);

export const shareInputSchema = z.strictObject({
  kind,
  parent: z.number().int().positive().nullable(),
  submission: z.uuid(),
  title,
  doc: z.unknown(),
  /** Share with the author of the answered post only. */
  private: z.boolean().default(false),
  /** In a course that is not hosted here: when it was posted there, as the person's own wall clock showed it. */
  postedAt: z
    .string()
    .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/u)
    .nullish(),
  /** Of a reply: the version of the answered post that its writer has seen; without it nothing is compared. */
  answeredN: z.number().int().positive().nullish(),
});
export type ShareInput = z.infer<typeof shareInputSchema>;

/** `repeated`: this submission had been shared before; the answer names the one post it made. */
export type Shared = { post: PostId; kind: 'response' | 'reply'; repeated: boolean };
export type ShareFailure =
  | DocumentFailure
  | Refusal
  | { code: 'not-found' }
  | { code: 'nothing-written' }
  | { code: 'post-not-open' }
  /** The post it answers was withdrawn, or hidden by staff, while the answer was written. */
  | { code: 'answered-gone' }
  /** It was changed meanwhile: the text of now, and its version for who answers it all the same. */
  | { code: 'answered-changed'; n: number; title: string; doc: Doc }
  | { code: 'not-posted-yet' }
  | { code: 'no-such-time' };

/** Makes one post of a submission, however often it is sent. */
export const sharing = answersWith<Shared, ShareFailure>()(
  'POST',
  '/discussions/:slug/posts',
  shareInputSchema,
);

export const changeSchema = z.strictObject({
  title,
  doc: z.unknown(),
  /** The version this text was made of: a newer one is never written over unseen. */
  n: z.number().int().positive().optional(),
});
export type ChangeFailure =
  | DocumentFailure
  | ChangeRefusal
  | { code: 'not-found' }
  | { code: 'nothing-written' }
  | { code: 'changed-meanwhile' };

/** Makes a new version of a shared post of one's own. */
export const changing = answersWith<{ n: number }, ChangeFailure>()(
  'PUT',
  '/discussions/:slug/posts/:post',
  changeSchema,
);

export const quotationSchema = z.object({
  text: z.string().trim().min(1).max(LONGEST_PASSAGE),
  source: z.string().trim().min(1).max(400),
});

/** Puts a passage of a reading, or a note, into the draft of one's response. */
export const quoting = answersWith<Kept, KeepFailure>()(
  'POST',
  '/discussions/:slug/quotation',
  quotationSchema,
);

export type Nameable = { people: (NamedPerson & { role: Role })[]; posts: NamedPost[] };

/** Whom and which posts a text in a discussion may name. */
export const naming = answersWith<Nameable>()('GET', '/discussions/:slug/names');

export const noteToSelfSchema = z.object({
  body: z.string().max(20_000).transform(storable),
  /** When the text this one was written on was kept; 0 where there was none. Without scripts nobody knows. */
  base: z.coerce.number().int().min(0).optional(),
});

/** Keeps a page of one's own beside a discussion. */
export const notingToSelf = answersWith<
  { keptAt: Instant },
  { code: 'other-window'; body: string; keptAt: Instant }
>()('POST', '/discussions/:slug/note-to-self', noteToSelfSchema);

/** Longer than two pages nothing of a text is weighed. */
const weighedText = z.string().max(20_000);

/** How a reply that is being written lies to what it answers, by its meaning: measures that the page weighs. */
export const weighing = answersWith<{ meant: number[] }, { code: 'not-found' } | NotRead>()(
  'POST',
  '/discussions/:slug/weighed',
  z.strictObject({ reply: weighedText, post: weighedText, prompt: weighedText }),
);
