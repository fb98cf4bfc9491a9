import { createInterface } from 'node:readline';
import { askedBefore, meaningOf, textsOf, type Earlier } from '@/core/questions/asked-before';
import { meaningsOf } from '@/server/questions/meanings';

/* What is asked and a course's questions a line in, `{"id","course":[{"id","title","text","answer"}],"ask"}`; a line out, `{"id","offers":[ids]}`. */

const known = new Map<string, number[]>();
for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
  if (!line.trim()) continue;
  const { id, course, ask } = JSON.parse(line) as { id: string; course: Earlier[]; ask: string };
  const earlier = [];
  for (const one of course) {
    const texts = textsOf(one);
    const key = texts.join('\n');
    const meaning = known.get(key) ?? meaningOf(await meaningsOf(texts));
    known.set(key, meaning);
    earlier.push({ ...one, meaning });
  }
  const [meaning = []] = await meaningsOf([ask]);
  process.stdout.write(
    `${JSON.stringify({ id, offers: askedBefore({ text: ask, meaning }, earlier).map((o) => o.id) })}\n`,
  );
}
