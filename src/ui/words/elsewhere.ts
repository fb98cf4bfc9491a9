import type { BlockKind, Merged } from '@/core/elsewhere/blocks';
import type { Because } from '@/core/elsewhere/parents';

export const BLOCK_NAMES: Record<Exclude<BlockKind, 'reply'>, string> = {
  prompt: 'The prompt',
  response: 'A response to the prompt',
  other: 'Neither: leave it out',
};

/** What says that a post answers another. */
export const BECAUSE: Record<Because, string> = {
  named: 'its words name them',
  linked: 'a link leads there',
  nested: 'it stands within that post',
  indented: 'it stands further in',
  subject: 'its subject line',
  addressed: 'it speaks to them; look whether that is so',
  quoted: 'it quotes that post',
};

/** What a post of a newer copy is to what stands. */
export const MERGED: Record<Merged['what'], string> = {
  new: 'new',
  changed: 'changed since',
  known: 'is here already',
};

/** What a row of a plan is to what is here, where it is not new. @example againstText('known', null) // 'It is here already.' */
export const againstText = (what: 'known' | 'moved', now: { response: string; replies: string } | null) =>
  what === 'known'
    ? 'It is here already.'
    : `It is here with other deadlines (${now?.response ?? ''}; replies ${now?.replies ?? ''}) and would be moved.`;

/** What pressing the button of a newer copy does. @example mergeText(5, 1) // "Put 5 new posts in, change 1" */
export function mergeText(fresh: number, changed: number): string {
  const parts = [
    ...(fresh ? [`put ${fresh} new ${fresh === 1 ? 'post' : 'posts'} in`] : []),
    ...(changed ? [`change ${changed}`] : []),
  ];
  const text = parts.join(', ') || 'leave it as it is';
  return text.charAt(0).toUpperCase() + text.slice(1);
}
