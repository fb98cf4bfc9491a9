import type { Knex } from 'knex';

/** What a discussion that the class sees asked for before it was changed: its text, its rules and its dates, as they stood until then. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table prompt_versions (
      course_id uuid not null,
      discussion_id uuid not null,
      n int not null check (n > 0),
      title text not null,
      prompt jsonb not null,
      files uuid[] not null default '{}',
      brief jsonb not null,
      late jsonb not null,
      opens timestamp not null,
      response_due timestamp not null,
      replies_due timestamp not null,
      until timestamptz not null,
      by_person uuid references people on delete set null,
      primary key (course_id, discussion_id, n),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade
    );
    -- A shared text stays; what it lacks may become less, where its prompt asks for less.
    create or replace function keep_versions() returns trigger language plpgsql as $$
    begin
      if forgetting() then return new; end if;
      if tg_op = 'UPDATE' and new.unmet <@ old.unmet
        and to_jsonb(new) - 'unmet' - 'checks' = to_jsonb(old) - 'unmet' - 'checks' then return new; end if;
      raise exception 'A shared text is never changed; a change is a new version.';
    end $$;
    create index prompt_versions_person on prompt_versions (by_person);
    create index prompt_versions_files on prompt_versions using gin (files) where files <> '{}';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
