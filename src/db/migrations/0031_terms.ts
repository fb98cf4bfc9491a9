import type { Knex } from 'knex';

/**
 * A course's code can be used again in another term, so that its name in addresses is its own (where it has none, its code says it);
 * and what every new discussion of a course begins with.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table courses
      add column term text not null default '' check (length(term) <= 60),
      add column slug text check (slug <> ''),
      add column habits jsonb;
    create unique index courses_hosted_term on courses (code, term) where owner_id is null;
    create unique index courses_hosted_slug on courses (slug) where owner_id is null and slug is not null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
