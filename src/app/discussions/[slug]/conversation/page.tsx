import { conversationAt } from '@/contract/addresses';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { ARRANGEMENTS } from '@/core/posts/arrange';
import { THREAD_FILTERS } from '@/core/posts/filters';
import { placeOfQuestion } from '@/server/questions/place';
import { conversation } from '@/server/discussions/conversation';
import { ConversationView } from '@/ui/conversation/conversation-view';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Conversation' };

const query = z.object({
  post: z.coerce.number().int().positive().nullable().catch(null),
  /** Somebody whose post is asked for: what a name in a text leads to. */
  by: z.uuid().nullable().catch(null),
  as: z.enum(ARRANGEMENTS).nullable().catch(null),
  order: z.enum(['newest', 'oldest']).nullable().catch(null),
  shared: z.coerce.number().int().positive().nullable().catch(null),
  show: z.enum(THREAD_FILTERS).nullable().catch(null),
  /** Whose posts are shown, of the filter by a person. */
  of: z.uuid().nullable().catch(null),
  page: z.coerce.number().int().positive().nullable().catch(null),
  words: z.string().max(200).nullable().catch(null),
  answer: z.string().optional(),
  /** When everything was marked as read, which can be undone. */
  marked: z.coerce.number().int().positive().nullable().catch(null),
  paste: z
    .union([z.literal('response'), z.coerce.number().int().positive()])
    .nullable()
    .catch(null),
});

export default async function ConversationPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const ask = query.parse(await queryOf(searchParams));
  const here = conversationAt(slug, { post: ask.post });
  const who = await requireVisitor(here);
  const found = await conversation(who.deps, who.actor, slug, {
    post: ask.post ?? (typeof ask.paste === 'number' ? ask.paste : null),
    filter: ask.show,
    by: ask.by,
    person: ask.of,
    as: ask.as,
    newestFirst: ask.order && ask.order === 'newest',
    page: ask.page,
    words: ask.words,
  });
  if (!found.ok) {
    const asked = await placeOfQuestion(who.deps, who.actor, slug, ask.post);
    if (asked) redirect(asked);
    notFound();
  }
  const { actor } = who;
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={found.value.head.schedule.zone}>
      <ConversationView view={found.value} slug={slug} ask={ask} you={actor} />
    </Frame>
  );
}
