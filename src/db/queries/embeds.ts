import type { Instant } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type EmbedRecord = { url: string; site: string; title: string; frame: string };

export async function knownEmbeds(db: Db, urls: readonly string[]): Promise<EmbedRecord[]> {
  if (urls.length === 0) return [];
  return db('embeds')
    .whereIn('url', [...urls])
    .select('url', 'site', 'title', 'frame');
}

export const keepEmbed = (db: Db, embed: EmbedRecord & { now: Instant }) =>
  db('embeds')
    .insert({
      url: embed.url,
      site: embed.site,
      title: embed.title,
      frame: embed.frame,
      asked_at: timestamptz(embed.now),
    })
    .onConflict('url')
    .merge();
