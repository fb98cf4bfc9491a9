import type { Knex } from 'knex';

/** Clips: recordings of a camera or a microphone, made playable by a job. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table clips (
      file_id uuid primary key references files (id) on delete cascade,
      video boolean not null,
      title text not null default '' check (length(title) <= 200),
      captions text check (length(captions) <= 200000),
      -- Which stretch of the recording is the clip, in milliseconds; until the end where there is no other.
      trim_from int not null default 0 check (trim_from >= 0),
      trim_to int check (trim_to > trim_from),
      -- While it is recorded and made only its owner knows of it; nobody ever gets what was trimmed off.
      state text not null check (state in ('recording', 'waiting', 'ready', 'failed')),
      ms int not null default 0 check (ms between 0 and 180000),
      poster_sha256 text check (poster_sha256 ~ '^[0-9a-f]{64}$'),
      changed_at timestamptz not null
    );
    create index clips_poster on clips (poster_sha256);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
