import type { Given } from '@/core/checks/not-own';
import type { PostKind } from '@/core/counting/types';
import { promptPlain } from '@/db/queries/material';
import { plainTexts, type PostRecord } from '@/db/queries/posts';
import { visibleOutlines } from '../access/visible-posts';
import type { Entered } from '../access/enter';
import type { Actor, Deps } from '../deps';

/** Of so many classmates' responses, the newest, and so much of each. */
const RESPONSES = 30;
const LENGTH = 1_500;

/**
 * What a writer has before them, so that what is copied from it can be told from own words: the prompt, the post a reply answers, and for
 * a response the classmates' responses they may read. Behind the seal there is nothing of the class.
 */
export async function givenTo(
  db: Deps['db'],
  actor: Actor,
  entered: Entered,
  kind: PostKind,
  answered: Pick<PostRecord, 'author' | 'plain'> | null,
): Promise<Given[]> {
  const { prompt, brief } = entered.record;
  const given: Given[] = [{ source: 'the prompt', text: promptPlain(prompt, brief) }];
  if (kind === 'reply')
    return answered ? [...given, { source: `${answered.author.name}’s post`, text: answered.plain }] : given;
  const { posts } = await visibleOutlines(db, actor, entered);
  const responses = posts
    .filter((p) => p.kind === 'response' && p.author.id !== actor.id && p.opening !== '')
    .slice(-RESPONSES);
  const texts = await plainTexts(
    db,
    responses.map((p) => p.id),
  );
  return [
    ...given,
    ...responses.map((p) => ({
      source: `${p.author.name}’s post`,
      text: (texts.get(p.id) ?? '').slice(0, LENGTH),
    })),
  ];
}
