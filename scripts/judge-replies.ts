import { createInterface } from 'node:readline';
import { judge } from '@/core/substance/judge';

/* A reply with what it answers a line in, one {"id","score","verdict","facets"} a line out. */

type Line = {
  id: string;
  prompt?: string;
  concepts?: string[];
  peerName?: string;
  peerPost?: string;
  otherPosts?: string[];
  reply?: string;
};

for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
  if (!line.trim()) continue;
  const {
    id,
    prompt = '',
    concepts = [],
    peerName = '',
    peerPost = '',
    otherPosts = [],
    reply = '',
  } = JSON.parse(line) as Line;
  const answered = { peer: { name: peerName, text: peerPost }, prompt, concepts, others: otherPosts };
  process.stdout.write(`${JSON.stringify({ id, ...judge(reply, answered) })}\n`);
}
