import type { Knex } from 'knex';

/** Files that people put into what they write, and which version of which post carries them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table files (
      id uuid primary key,
      course_id uuid not null,
      owner_id uuid not null,
      name text not null check (name ~ '^[^/\\\\[:cntrl:]]{1,120}$'),
      began_at timestamptz not null,
      -- How much of it there will be, and how much has come in.
      expected bigint not null check (expected between 1 and 26214400),
      received bigint not null default 0 check (received between 0 and expected),
      -- What it turned out to be, once it was here: the sum of its content is where it is stored.
      sha256 text check (sha256 ~ '^[0-9a-f]{64}$'),
      media_type text check (media_type ~ '^[a-z]+/[a-z0-9.+-]+$'),
      bytes bigint check (bytes > 0),
      width int check (width > 0),
      height int check (height > 0),
      foreign key (course_id, owner_id) references enrolments (course_id, person_id) on delete cascade,
      check ((sha256 is null) = (media_type is null) and (sha256 is null) = (bytes is null)),
      check ((width is null) = (height is null))
    );
    create index files_owner on files (course_id, owner_id);
    create index files_content on files (sha256);

    create table post_files (
      file_id uuid not null references files (id),
      post_id bigint not null,
      n int not null,
      primary key (file_id, post_id, n),
      foreign key (post_id, n) references post_versions (post_id, n) on delete cascade
    );
    create index post_files_post on post_files (post_id, n);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
