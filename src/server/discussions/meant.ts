import { LRUCache } from 'lru-cache';
import { meantBy, sentencesToWeigh, type Meant, type Weighed } from '@/core/substance/meant';
import { meaningsOf } from '../questions/meanings';

/** Sentences of posts and prompts, which are asked for again with every pause of who answers them. */
const given = new LRUCache<string, number[]>({ max: 2_000 });

async function vectorsOf(sentences: readonly string[]): Promise<number[][]> {
  const missing = [...new Set(sentences)].filter((s) => !given.has(s));
  const found = await meaningsOf(missing);
  const fresh = new Map(missing.map((s, i) => [s, found[i] ?? []] as const));
  for (const [s, vector] of fresh) given.set(s, vector);
  return sentences.map((s) => fresh.get(s) ?? given.get(s) ?? []);
}

/** How a reply lies to the post and the prompt it answers. Of the reply nothing is kept. */
export async function meantOf(of: Weighed): Promise<Meant> {
  const sentences = sentencesToWeigh(of);
  return meantBy(sentences.reply, {
    reply: await meaningsOf(sentences.reply),
    post: await vectorsOf(sentences.post),
    prompt: await vectorsOf(sentences.prompt),
  });
}
