import { createInterface } from 'node:readline';
import { asBrief } from '@/core/prompts/as-brief';
import { readPrompt } from '@/core/prompts/read-prompt';

/* One {"id","text"} a line in, one {"id","brief","evidence"} a line out. */

for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
  if (!line.trim()) continue;
  const { id, text } = JSON.parse(line) as { id: string; text: string };
  const { facts } = readPrompt(text);
  const evidence = facts.map(({ fact, start, end, confidence }) => ({
    fact: fact.includes('.media.') ? `${fact}.min` : fact,
    start,
    end,
    confidence,
  }));
  process.stdout.write(`${JSON.stringify({ id, brief: asBrief(facts), evidence })}\n`);
}
