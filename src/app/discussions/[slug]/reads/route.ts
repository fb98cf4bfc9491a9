import { markingRead } from '@/contract/conversation';
import { conversationAt, discussionAt } from '@/contract/addresses';
import { markRead } from '@/server/discussions/reading';
import { byContent, form, json } from '../../../_request/endpoint';
import { localPath, numberOf, seeOther } from '../../../_request/write';

/** Marks posts as read or unread: as JSON while one reads, or "all read" as a plain form. */
export const POST = byContent(
  json('read posts', markingRead, ({ who, params, input }) =>
    markRead(who.deps, who.actor, params.slug, input),
  ),
  form<'slug'>(
    'read posts',
    ({ slug }) => discussionAt(slug),
    async ({ who, params, fields, request }) => {
      const to = localPath(fields.get('to') ?? conversationAt(params.slug));
      const at = numberOf(fields.get('undo') ?? '');
      const marked = await markRead(
        who.deps,
        who.actor,
        params.slug,
        at ? { at, read: false } : { posts: 'all', read: true },
      );
      if (at || !marked.ok || marked.value.at === null) return seeOther(to);
      const back = new URL(to, request.url);
      back.searchParams.set('marked', String(marked.value.at));
      return seeOther(`${back.pathname}${back.search}`);
    },
  ),
);
