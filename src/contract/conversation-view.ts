import type { Side } from '@/core/brief/brief';
import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import type { Compared } from '@/core/drafts/difference';
import type { Instant, PersonId, PostId } from '@/core/ids';
import type { Arranged, Arrangement, Page, Steps } from '@/core/posts/arrange';
import type { ThreadFilter } from '@/core/posts/filters';
import type { Earlier } from '@/core/substance/repeated';
import type { DiscussionHead, OpenDraft } from './discussion';
import type { ReadPost, ThreadLine } from './thread';

/** A post of somebody, as it stands on a card about them. */
export type PostOfAuthor = { id: PostId; kind: 'response' | 'reply'; opening: string; to: string | null };

/** The post that a reply answers. */
export type Answering = {
  id: PostId;
  person: PersonId;
  name: string;
  staff: boolean;
  side: Side | null;
  self: boolean;
  plain: string;
  title: string;
  doc: Doc;
  privateTo: string | null;
  /** Which of its versions is read. */
  n: number;
};

/** The facing page: the post being answered and the draft of the answer. */
export type ReplyPage = {
  answering: Answering;
  /** The post was changed after the draft was begun: when, and what differs, where that can be said. */
  changed: { at: Instant; compared: Compared | null } | null;
  draft: OpenDraft;
  refused: Refusal | null;
  /** What the substance of the reply is judged against, beside the post: by its writer's browser, for nobody else. */
  about: { prompt: string; others: string[]; earlier: Earlier[] };
};

/** The post that was to be answered is gone, and there is a draft of the answer. */
export type OrphanedDraft = { name: string; draft: Doc };

/** What one may read of a conversation, arranged and narrowed as one asks. */
export type Conversation = {
  filter: ThreadFilter;
  /** What is shown where the address names no filter. */
  standard: ThreadFilter;
  /** What each filter would show; of `to-you` what is new and waits for an answer, of `worth` nothing to who owes none. */
  counts: Record<ThreadFilter, number>;
  head: DiscussionHead;
  as: Arrangement;
  newestFirst: boolean;
  /** How the reader reads where the address says nothing. */
  habit: Arranged;
  /** Whose posts are shown, of the filter by a person. */
  person: { id: PersonId; name: string } | null;
  /** The words that were looked for. */
  words: string;
  /** The list beside the open thread, or the page's headlines. */
  lines: ThreadLine[];
  /** The posts that are read, with their texts: of the open thread, of the page by time, or the one that is open. */
  posts: ReadPost[];
  page: Page;
  /** The post that is open, with the response of its thread. */
  open: { at: PostId; thread: PostId; followed: boolean } | null;
  /** What else those who speak here have written, by who they are. */
  authors: Record<PersonId, PostOfAuthor[]>;
  steps: Steps;
  followsDiscussion: boolean;
  /** Threads one follows, by their response. */
  followed: PostId[];
  /** The number of the last event this page knows of: who listens goes on from there. */
  events: number;
  reply: ReplyPage | null;
  orphaned: OrphanedDraft | null;
  ledgerInput: LedgerInput | null;
  /** For staff: the student whose response is open, whose part they can mark. */
  marking: { id: PersonId; name: string } | null;
};
