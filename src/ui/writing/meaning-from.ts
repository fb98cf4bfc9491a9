import { weighing } from '@/contract/writing';
import { call } from '../request/call';
import type { AskMeaning } from './weighing';

const MOST = 20_000;

/** Asks this server for the meaning of a reply to a post of a discussion. */
export const meaningFrom =
  (slug: string, post: string, prompt: string): AskMeaning =>
  async (reply) => {
    const texts = { reply: reply.slice(0, MOST), post: post.slice(0, MOST), prompt: prompt.slice(0, MOST) };
    const answer = await call(weighing, { slug }, texts);
    return answer.ok ? answer.value.meant : null;
  };
