import 'server-only';
import { correctionsSchema, giveCorrections } from '@/server/outside/corrections';
import type { Deps } from '@/server/deps';

/** What the form of a brief gives on with a yes, kept once its brief is. */
export async function keepGiven(deps: Deps, form: FormData): Promise<void> {
  const given = form.get('corrections');
  if (typeof given !== 'string' || given === '') return;
  let read: unknown;
  try {
    read = JSON.parse(given);
  } catch {
    return;
  }
  const corrections = correctionsSchema.safeParse(read);
  if (corrections.success) await giveCorrections(deps, corrections.data);
}
