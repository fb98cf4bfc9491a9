import { createInterface } from 'node:readline';
import { told } from '@/core/substance/facets';
import { judge } from '@/core/substance/judge';
import { weigh } from '@/core/substance/weigh';
import { meantOf } from '@/server/discussions/meant';

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
  const { measures, ...judged } = judge(reply, answered);
  const meant = measures ? weigh(measures, await meantOf({ reply, post: peerPost, prompt })) : {};
  const weighed = { ...judged, ...meant };
  process.stdout.write(`${JSON.stringify({ id, ...weighed, facets: told(judged.facets, weighed.score) })}\n`);
}
