import type { Knex } from 'knex';

/**
 * The response in whose thread a post stands is kept with it. And who may read a post of a discussion that is open to them is one
 * function: a private reply goes to its author, the one it is for, and staff. Every query that gives posts away asks it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table posts add column thread_id bigint;
    with recursive under as (
      select id, id as thread from posts where parent_id is null
      union all select p.id, under.thread from posts p join under on p.parent_id = under.id)
    update posts p set thread_id = under.thread from under where under.id = p.id;
    alter table posts alter column thread_id set not null;
    create index posts_thread on posts (thread_id);

    create function thread_of_post() returns trigger language plpgsql as $$
    begin
      new.thread_id := case when new.parent_id is null then new.id
        else (select thread_id from posts where id = new.parent_id) end;
      return new;
    end $$;
    create trigger posts_thread before insert on posts for each row execute function thread_of_post();

    create function may_read_post(p posts, reader uuid, staff boolean) returns boolean language sql stable as $$
      select p.private_to is null or staff or p.private_to = reader or p.author_id = reader
    $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
