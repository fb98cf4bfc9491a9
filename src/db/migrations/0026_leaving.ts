import type { Knex } from 'knex';

/**
 * Whoever leaves a course or is forgotten leaves what they shared to somebody without a name, so that nothing else of theirs has to stay:
 * it goes with their enrolment or with them. Only for that are shared texts and what was reported ever emptied.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table people
      -- Since when this stands for somebody who has left, without a name.
      add column former_since timestamptz,
      -- When an account that its owner ended is forgotten.
      add column forget_at timestamptz;
    alter table people drop constraint people_sign_in;
    alter table people add constraint people_sign_in check (
      (told_by is null and former_since is null) = (email is not null)
      and ((told_by is null and former_since is null) or password_hash is null)
    );
    create index people_forget on people (forget_at) where forget_at is not null;

    -- What becomes of the shared posts of who leaves: they stay without a name, or are withdrawn.
    alter table courses add column leavers text not null default 'stay' check (leavers in ('stay', 'withdraw'));

    create function forgetting() returns boolean language sql stable as $$
      select coalesce(current_setting('pulpit.forgetting', true), '') = 'yes';
    $$;
    create or replace function keep_versions() returns trigger language plpgsql as $$
    begin
      if forgetting() then return new; end if;
      raise exception 'A shared text is never changed; a change is a new version.';
    end $$;
    create or replace function keep_moderation_log() returns trigger language plpgsql as $$
    begin
      if forgetting() then return new; end if;
      raise exception 'What was done is logged for good.';
    end $$;

    -- Words that nobody's text holds any more go out of what is looked through for near words.
    create function relearn_words() returns void language sql as $$
      with held as (
        select distinct w from (
          select title || ' ' || plain from post_texts
          union all select title || ' ' || author || ' ' || plain from readings
          union all select title || ' ' || prompt_plain from discussions
          union all select name from people
        ) texts (said), unnest(tsvector_to_array(to_tsvector('simple', said))) w
      )
      delete from search_words s where not exists (select 1 from held where held.w = s.word);
    $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
