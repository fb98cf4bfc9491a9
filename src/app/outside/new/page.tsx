import { newOutsideAt } from '@/contract/addresses';
import { z } from 'zod';
import { waiting } from '@/server/outside/take-in';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';
import { TakeInPage } from './take-in-page';

export const metadata = { title: 'Bring in a prompt' };

type Props = { searchParams: Promise<{ trouble?: string | string[] }> };

const troubles = z
  .string()
  .transform((text, context): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      context.addIssue('no JSON');
      return z.NEVER;
    }
  })
  .pipe(
    z
      .array(
        z.object({
          code: z.string().max(40),
          name: z.string().max(120).optional(),
          kind: z.string().max(10).optional(),
        }),
      )
      .max(6),
  )
  .catch([]);

export default async function NewOutsidePrompt({ searchParams }: Props) {
  const who = await requireVisitor(newOutsideAt());
  return (
    <Frame visitor={who} here={newOutsideAt()} place="discussions">
      <TakeInPage
        troubles={troubles.parse((await queryOf(searchParams)).trouble)}
        waiting={await waiting(who.deps, who.actor)}
        zone={who.actor.timeZone}
      />
    </Frame>
  );
}
