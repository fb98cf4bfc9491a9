import { z } from 'zod';

/** One event of a browser's trace; times in microseconds. */
const event = z.object({
  name: z.string(),
  ph: z.string(),
  pid: z.number(),
  tid: z.number(),
  ts: z.number(),
  dur: z.number().default(0),
  args: z.looseObject({ data: z.looseObject({ type: z.unknown() }).optional() }).default({}),
});
type TraceEvent = z.infer<typeof event>;

const isKey = (e: TraceEvent) => e.name === 'EventDispatch' && e.args.data?.type === 'keydown';

/**
 * How long the thread that draws was busy for each pressed key, in milliseconds: all of its tasks from the one that took the
 * key to the one that takes the next.
 */
export function mainThreadPerKey(trace: readonly unknown[]): number[] {
  const events = trace.flatMap((e) => {
    const read = event.safeParse(e);
    return read.success ? [read.data] : [];
  });
  const first = events.find(isKey);
  if (!first) throw new Error('the trace holds no key');
  const here = events.filter((e) => e.pid === first.pid && e.tid === first.tid);
  const tasks = here.filter((e) => e.name === 'RunTask').sort((a, b) => a.ts - b.ts);
  const keys = here.filter(isKey).sort((a, b) => a.ts - b.ts);
  const costs: number[] = [];
  let key = -1;
  for (const task of tasks) {
    while ((keys[key + 1]?.ts ?? Infinity) <= task.ts + task.dur) key += 1;
    if (key < 0) continue;
    costs[key] = (costs[key] ?? 0) + task.dur / 1_000;
  }
  return costs.filter((c) => c !== undefined);
}
