import type { Knex } from 'knex';
import type { Instant } from '@/core/ids';
import type { Outgoing } from '@/server/mail/port';
import { keepUp } from '@/server/notices/keep-up';
import type { Actor } from '@/server/deps';
import { rulesSchema, USUAL_RULES, type NoticeRules } from '@/core/notices/rules';
import { chooseRules } from '@/server/notices/rules';
import type { Doc } from '@/core/document/nodes';
import { post } from './college';
import { OPEN, shared, shareInput } from './world';

/** Tells whoever follows, makes mails of what is due at a moment, and sends them; gives what left about notices. */
export async function keptUp(db: Knex, at: Instant): Promise<Outgoing[]> {
  await keepUp({ db, now: at });
  return (await post(db, at)).filter((m) => m.headers !== null);
}

export type Row = {
  kind: string;
  key: string;
  seen: boolean;
  sent: boolean;
  waiting: number[];
  due: number | null;
};

/** Somebody's notices as they lie in the database, the first first. */
export async function noticesAt(db: Knex, { id }: Pick<Actor, 'id'>): Promise<Row[]> {
  const rows = await db('notices').where({ person_id: id }).orderBy('id');
  return rows.map((r) => ({
    kind: r.kind,
    key: r.key,
    seen: r.seen_at !== null,
    sent: r.mail_id !== null,
    waiting: r.waiting.map(Number),
    due: r.due_at,
  }));
}

/** Somebody hears of things by the usual rules, but for these. */
export const hearing = (
  db: Knex,
  now: Instant,
  actor: Actor,
  over: Partial<Omit<NoticeRules, 'ways'>> & { ways?: Partial<NoticeRules['ways']> },
) =>
  chooseRules(
    { db, now },
    actor,
    rulesSchema.parse({ ...USUAL_RULES, ...over, ways: { ...USUAL_RULES.ways, ...over.ways } }),
  );

/** What people of the small course write, in the open discussion where none is named. */
export const room = (db: () => Knex) => ({
  respond: async (who: Actor, when: string, slug = OPEN, words = 'a response of some words') =>
    (await shared(db(), who, slug, when, shareInput(words))).post,
  reply: async (
    who: Actor,
    parent: number,
    when: string,
    over: { words?: string; doc?: Doc; slug?: string; private?: boolean } = {},
  ) =>
    (
      await shared(
        db(),
        who,
        over.slug ?? OPEN,
        when,
        shareInput(over.words ?? 'and a reply to it', {
          kind: 'reply',
          parent,
          ...(over.doc ? { doc: over.doc } : {}),
          private: over.private ?? false,
        }),
      )
    ).post,
});
