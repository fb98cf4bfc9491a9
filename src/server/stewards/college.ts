import { z } from 'zod';
import type { CollegeView } from '@/contract/stewards';
import { mailAddressSchema, personNameSchema } from '@/core/people/naming';
import { storable } from '@/core/document/document';
import { college, nameCollege } from '@/db/queries/college';
import { logSteward } from '@/db/queries/steward-log';
import type { Deps } from '../deps';
import { timeZoneSchema } from '../people/time-zone';
import type { Steward } from './enter';

const UNNAMED: CollegeView = {
  name: '',
  timeZone: 'UTC',
  help: { telephone: '', mail: '', hours: '' },
  alone: false,
  signOn: true,
  signOnNew: false,
  personMb: 500,
  courseMb: 20_480,
  mark: null,
};

/** Whose installation this is, and where help is found; empty where nobody has said so. */
export const theCollege = async (deps: Pick<Deps, 'db'>): Promise<CollegeView> =>
  (await college(deps.db)) ?? UNNAMED;

const line = (most: number) =>
  z
    .string()
    .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
    .pipe(z.string().max(most));

export const collegeSchema = z.object({
  name: personNameSchema,
  timeZone: timeZoneSchema,
  telephone: line(100),
  mail: z.union([z.literal(''), mailAddressSchema]),
  hours: line(200),
  alone: z.literal('yes').optional(),
  signOn: z.enum(['yes', '']).default(''),
  signOnNew: z.enum(['yes', '']).default(''),
  personMb: z.coerce.number().int().min(1).max(100_000),
  courseMb: z.coerce.number().int().min(1).max(10_000_000),
});

/** Says the name, the time zone and where help is found. */
export async function changeCollege(deps: Deps, steward: Steward, said: z.output<typeof collegeSchema>) {
  const { name, timeZone, telephone, mail, hours, alone, signOn, signOnNew, personMb, courseMb } = said;
  await deps.db.transaction(async (tx) => {
    await nameCollege(
      tx,
      {
        name,
        timeZone,
        help: { telephone, mail, hours },
        alone: alone === 'yes',
        signOn: signOn === 'yes',
        signOnNew: signOnNew === 'yes',
        personMb,
        courseMb,
      },
      deps.now,
    );
    await logSteward(tx, { steward: steward.id, act: 'college', now: deps.now });
  });
}
