import { z } from 'zod';
import { weekAt } from '@/contract/addresses';
import { instant } from '@/core/ids';
import { app } from '@/runtime/app';
import { moveClock } from '@/server/clock/clock';
import { keepUpSoon } from '@/server/notices/tell';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

const YEAR_MS = 366 * 86_400_000;
const fieldsSchema = z.object({
  by: z.coerce.number().int().min(-YEAR_MS).max(YEAR_MS),
  to: z.string().max(500).default('/'),
});

/** Moves the demo's clock; there is no such thing outside the demo. */
export const POST = form(
  'move the demo’s clock',
  () => weekAt(),
  async ({ who, fields }) => {
    const { config, clock, db } = app();
    if (!config.demo) return new Response('Not found.\n', { status: 404 });
    const read = fieldsSchema.safeParse(Object.fromEntries(fields));
    if (!read.success) return seeOther(weekAt());
    await moveClock(db, clock, instant(who.deps.now + read.data.by));
    // What falls due in the time that was leapt over is sent at once.
    await keepUpSoon(db);
    return seeOther(read.data.to);
  },
);
