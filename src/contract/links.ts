import { z } from 'zod';
import { safeHref } from '@/core/document/limits';
import { answersWith } from './endpoint';

/** What became of asking for a link. Only `error` says that the link itself is wrong. */
export type LinkAnswer =
  | { state: 'good' }
  | { state: 'error'; status: number }
  | { state: 'not-found-name' }
  | { state: 'private' }
  | { state: 'no-answer' };

/** Whether links lead anywhere, in the order they were sent. */
export const checkingLinks = answersWith<{ links: LinkAnswer[] }, { code: 'too-many-links' }>()(
  'POST',
  '/links/check',
  z.object({ links: z.array(z.string().max(2_000)).max(20) }),
);

export type LinkRead =
  { kind: 'player'; title: string; site: string } | { kind: 'page'; title: string | null };

/** What a pasted link is: something to be played where it stands, or a page with a title. */
export const readingLink = answersWith<LinkRead>()('POST', '/links/read', z.strictObject({ url: safeHref }));
