import { z } from 'zod';

/** A post that a page describes for machines (schema.org's Comment, Answer and DiscussionForumPosting). */
export type Described = {
  author: string;
  at: string | null;
  title: string;
  text: string;
  parent: number | null;
};
export type DescribedDiscussion = { title: string; text: string; posts: Described[] };

const MOST = 600;
const person = z.union([z.string(), z.looseObject({ name: z.string() }).transform((p) => p.name)]);
const one = <T extends z.ZodType>(of: T) => z.union([of, z.array(of).transform((all) => all[0])]);
const text = z.string().catch('');
const thing = z.looseObject({
  '@type': z.union([z.string(), z.array(z.string())]).catch(''),
  author: one(person).nullish().catch(null),
  datePublished: z.string().nullish().catch(null),
  dateCreated: z.string().nullish().catch(null),
  headline: text,
  name: text,
  text,
  articleBody: text,
});
type Thing = z.infer<typeof thing>;

const BELOW = ['comment', 'suggestedAnswer', 'acceptedAnswer', 'hasPart'] as const;
const listOf = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value];
const isOf = (t: Thing, kind: RegExp) =>
  listOf(t['@type']).some((k) => typeof k === 'string' && kind.test(k));

/**
 * The discussion in what a page says to machines (JSON-LD); null where it describes none.
 * @example describedIn(['{}']) // null
 */
export function describedIn(data: readonly string[]): DescribedDiscussion | null {
  for (const json of data) {
    let read: unknown;
    try {
      read = JSON.parse(json);
    } catch {
      // What is no JSON describes nothing.
      continue;
    }
    const graph = listOf(read).flatMap((r) =>
      typeof r === 'object' && r !== null && '@graph' in r ? listOf(r['@graph']) : [r],
    );
    for (const found of graph) {
      const root = thing.safeParse(found);
      if (
        !root.success ||
        !isOf(
          root.data,
          /^(?:DiscussionForumPosting|Question|QAPage|SocialMediaPosting|Article|CreativeWork)$/u,
        )
      )
        continue;
      const posts: Described[] = [];
      const below = (t: Thing) => BELOW.flatMap((key) => listOf(t[key]));
      const stack = below(root.data)
        .map((of) => ({ of, parent: null as number | null }))
        .reverse();
      while (stack.length && posts.length < MOST) {
        const next = stack.pop();
        const post = next && thing.safeParse(next.of);
        if (!next || !post?.success) continue;
        const { author, datePublished, dateCreated, headline, name, text: said, articleBody } = post.data;
        const i = posts.length;
        posts.push({
          author: author ?? '',
          at: datePublished ?? dateCreated ?? null,
          title: headline || name,
          text: said || articleBody,
          parent: next.parent,
        });
        stack.push(
          ...below(post.data)
            .map((of) => ({ of, parent: i }))
            .reverse(),
        );
      }
      if (posts.length)
        return {
          title: root.data.headline || root.data.name,
          text: root.data.articleBody || root.data.text,
          posts,
        };
    }
  }
  return null;
}
