import type { Instant } from '@/core/ids';
import type { Forecast } from '@/core/notices/forecast';
import type { NoticeKind, Way } from '@/core/notices/kinds';
import { rulesSchema, type NoticeRules } from '@/core/notices/rules';
import type { Section } from '@/core/notices/say';
import { z } from 'zod';
import { answersWith } from './endpoint';

/** One line of what concerns somebody: a notice, or several of one topic. */
export type NoticeLine = {
  /** The notices it stands for, the latest first. */
  ids: number[];
  kind: NoticeKind;
  section: Section;
  title: string;
  /** Where it happened, and what there is to say beside. */
  meta: string;
  /** The beginning of what was written, where its reader may see it now. */
  quote: string | null;
  at: Instant;
  seen: boolean;
};

/** A discussion somebody can hear more or less of than by their rule. */
export type HeardDiscussion = {
  slug: string;
  title: string;
  course: string;
  week: number;
  follows: boolean;
  /** What they chose for it; null where their rule holds. */
  way: Way | null;
  open: boolean;
  /** Threads one has written in, or chose something for. */
  threads: { id: number; by: string; follows: boolean; way: Way | null }[];
};

/** What rules mean, and what they would mean with all of it in one mail a day. */
export type Meaning = { now: Forecast; fewer: Forecast };

export type NoticesPage = {
  now: Instant;
  zone: string;
  lines: NoticeLine[];
  rules: NoticeRules;
  /** They teach somewhere, so there is a desk to hear of. */
  staff: boolean;
  meaning: Meaning;
  address: string;
  off: { at: Instant; why: string } | null;
  /** Discussions that are open now, or for which something is chosen. */
  heard: HeardDiscussion[];
  /** What a device is asked to listen with; null where this installation pushes nothing. */
  pushKey: string | null;
  /** Where each device of theirs that listens is reached: a browser knows its own. */
  devices: string[];
};

/** Chooses how notices reach one; answers what that means. */
export const keepRules = answersWith<Meaning, { code: 'malformed' }>()('PUT', '/notices/rules', rulesSchema);

const device = z.object({
  endpoint: z.url().max(1_000),
  keys: z.object({
    p256dh: z.string().regex(/^[\w-]{80,100}=*$/u),
    auth: z.string().regex(/^[\w-]{16,40}=*$/u),
  }),
});
/** Has notices sent to this device too, when Pulpit is closed. */
export const listenHere = answersWith<null, { code: 'no-such-service' | 'too-many-devices' }>()(
  'PUT',
  '/notices/devices',
  device,
);
/** And no more. */
export const listenNoMore = answersWith<null, never>()(
  'POST',
  '/notices/devices/drop',
  z.object({ endpoint: z.url().max(1_000) }),
);
