import { instant, personId, type CourseId, type Instant, type PersonId, type Role } from '@/core/ids';
import { ask, at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { versionOf } from './pictures';

// What a query selects only the query knows.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Row = any;

export type NewAccount = {
  id: PersonId;
  name: string;
  email: string;
  passwordHash: string | null;
  timeZone: string;
  steward: boolean;
  now: Instant;
};

export async function insertAccount(db: Db, a: NewAccount) {
  await db('people').insert({
    id: a.id,
    name: a.name,
    email: a.email,
    password_hash: a.passwordHash,
    time_zone: a.timeZone,
    steward: a.steward,
    made_at: timestamptz(a.now),
  });
}

/** The one person that an installation for one is for; null where there is nobody, or where there are others. */
export async function onlyAccount(db: Db): Promise<PersonId | null> {
  const rows = await db('people').whereNull('told_by').whereNull('ended_at').limit(2).select('id');
  return rows.length === 1 ? personId(rows[0].id) : null;
}

export type AccountRecord = {
  id: PersonId;
  name: string;
  saidAs: string;
  email: string;
  timeZone: string;
  theme: 'system' | 'light' | 'dark';
  spelling: 'en-GB' | 'en-US';
  clock: '12' | '24';
  weekBegins: number;
  picture: string | null;
  hasPassword: boolean;
  steward: boolean;
  demo: boolean;
  ended: Instant | null;
};

const ACCOUNT = [
  'id',
  'name',
  'said_as',
  'email',
  'time_zone',
  'theme',
  'spelling',
  'clock',
  'week_begins',
  'picture',
  'steward',
  'demo',
  'ended_at',
] as const;

const toAccount = (r: Row): AccountRecord => ({
  id: personId(r.id),
  name: r.name,
  saidAs: r.said_as,
  email: r.email,
  timeZone: r.time_zone,
  theme: r.theme,
  spelling: r.spelling,
  clock: r.clock,
  weekBegins: r.week_begins,
  picture: versionOf(r.picture),
  hasPassword: r.has_password,
  steward: r.steward,
  demo: r.demo,
  ended: r.ended_at === null ? null : instant(at(r.ended_at)),
});

/** Somebody who has an account here, ended or not; nobody who was only pasted in. */
export const askAccount = (db: Db, id: PersonId): Ask<AccountRecord | null> => ({
  query: db('people')
    .where({ id })
    .whereNotNull('email')
    .select(...ACCOUNT, db.raw('password_hash is not null as has_password')),
  read: ([row]) => (row ? toAccount(row) : null),
});
export const account = (db: Db, id: PersonId): Promise<AccountRecord | null> => ask(askAccount(db, id));

export async function accountByAddress(db: Db, email: string): Promise<AccountRecord | null> {
  const row = await db('people')
    .whereRaw('lower(email) = lower(?)', [email])
    .first(...ACCOUNT, db.raw('password_hash is not null as has_password'));
  return row ? toAccount(row) : null;
}

/** Of these addresses, those that somebody has here, folded as the database folds them, with whose they are. */
export async function accountsByAddress(db: Db, emails: readonly string[]): Promise<Map<string, PersonId>> {
  const { rows } = await db.raw(
    `select lower(a) as address, p.id from unnest(?::text[]) a join people p on lower(p.email) = lower(a)`,
    [[...emails]],
  );
  return new Map(rows.map((r: { address: string; id: string }) => [r.address, personId(r.id)]));
}

/** How the database folds addresses, in their order. */
export async function folded(db: Db, emails: readonly string[]): Promise<string[]> {
  const { rows } = await db.raw(
    `select lower(a) as address from unnest(?::text[]) with ordinality x (a, n) order by n`,
    [[...emails]],
  );
  return rows.map((r: { address: string }) => r.address);
}

export const passwordHashOf = async (db: Db, id: PersonId): Promise<string | null> =>
  (await db('people').where({ id }).first('password_hash'))?.password_hash ?? null;

export const setPassword = (db: Db, id: PersonId, passwordHash: string) =>
  db('people').where({ id }).update({ password_hash: passwordHash });

export const setAddress = (db: Db, id: PersonId, email: string) =>
  db('people').where({ id }).update({ email });

export const setSelf = (
  db: Db,
  id: PersonId,
  self: Pick<AccountRecord, 'name' | 'saidAs' | 'timeZone' | 'spelling' | 'theme' | 'clock' | 'weekBegins'>,
) =>
  db('people').where({ id }).update({
    name: self.name,
    said_as: self.saidAs,
    time_zone: self.timeZone,
    spelling: self.spelling,
    theme: self.theme,
    clock: self.clock,
    week_begins: self.weekBegins,
  });

export const setSteward = (db: Db, id: PersonId, steward: boolean) =>
  db('people').where({ id }).update({ steward });

/** Ends an account; `forget` is when it is to be forgotten, where its owner ended it. */
export const endAccount = (db: Db, id: PersonId, now: Instant, forget: Instant | null = null) =>
  db('people')
    .where({ id })
    .whereNull('ended_at')
    .update({ ended_at: timestamptz(now), forget_at: forget === null ? null : timestamptz(forget) });
export const reopenAccount = (db: Db, id: PersonId) =>
  db('people').where({ id }).update({ ended_at: null, forget_at: null });

/** Whether somebody looks after this installation now. The demo's stewards are none where there is no demo. */
export const anySteward = async (db: Db, demo: boolean): Promise<boolean> =>
  (await db('people')
    .where({ steward: true })
    .whereNull('ended_at')
    .modify((q) => void (demo ? q : q.where({ demo: false })))
    .first('id')) !== undefined;

/** Stewards who may still sign in, held for the transaction: the last one stays. */
export async function heldStewards(tx: Db): Promise<PersonId[]> {
  const rows = await tx('people').where({ steward: true }).whereNull('ended_at').forUpdate().select('id');
  return rows.map((r) => personId(r.id));
}

export async function isSteward(db: Db, id: PersonId): Promise<boolean> {
  return (await db('people').where({ id, steward: true }).whereNull('ended_at').first('id')) !== undefined;
}

export type PersonLine = {
  id: PersonId;
  name: string;
  email: string;
  steward: boolean;
  ended: boolean;
  lastSeen: Instant | null;
  courses: { code: string; role: Role }[];
};

/** People by name, of whom a name or an address has some words; a page of them and how many there are. */
export async function peopleList(
  db: Db,
  asked: { words: string; page: number; size: number },
): Promise<{ people: PersonLine[]; total: number }> {
  const found = () =>
    db('people as p')
      .whereNotNull('p.email')
      .modify((q) => {
        for (const word of asked.words.split(/\s+/u).filter(Boolean).slice(0, 6)) {
          const like = `%${word.replace(/[\\%_]/gu, '\\$&')}%`;
          q.where((w) => w.whereILike('p.name', like).orWhereILike('p.email', like));
        }
      });
  const [rows, count] = await Promise.all([
    found()
      .orderByRaw('p.ended_at is not null, p.name, p.id')
      .limit(asked.size)
      .offset((asked.page - 1) * asked.size)
      .select(
        'p.id',
        'p.name',
        'p.email',
        'p.steward',
        'p.ended_at',
        'p.last_seen',
        db.raw(
          `(select coalesce(json_agg(json_build_object('code', c.code, 'role', e.role) order by c.code), '[]')
            from enrolments e join courses c on c.id = e.course_id
            where e.person_id = p.id and c.owner_id is null) as courses`,
        ),
      ),
    found().count('* as n').first(),
  ]);
  return {
    people: rows.map((r: Row) => ({
      id: personId(r.id),
      name: r.name,
      email: r.email,
      steward: r.steward,
      ended: r.ended_at !== null,
      lastSeen: r.last_seen === null ? null : instant(r.last_seen),
      courses: r.courses,
    })),
    total: Number(count?.n ?? 0),
  };
}

export async function setEnrolment(db: Db, course: CourseId, person: PersonId, role: Role) {
  await db('enrolments')
    .insert({ course_id: course, person_id: person, role })
    .onConflict(['course_id', 'person_id'])
    .merge(['role']);
}

/** Enrols somebody who is not in a course; a role they have there stays. */
export async function enrolNew(db: Db, course: CourseId, person: PersonId, role: Role): Promise<boolean> {
  const made = await db('enrolments')
    .insert({ course_id: course, person_id: person, role })
    .onConflict(['course_id', 'person_id'])
    .ignore()
    .returning('person_id');
  return made.length > 0;
}
