'use server';

import { briefAt, discussionsAt, newOutsideAt, outsideAt, responseAt } from '@/contract/addresses';
import { redirect } from 'next/navigation';
import { confirmIntake, correctRules, type RubricSaid } from '@/server/outside/confirm';
import type { BriefState } from '@/ui/outside/brief-form';
import { acting } from '../_request/acting';
import { briefFields } from '../_request/brief-fields';
import { keepGiven } from '../_request/given-corrections';

/** What the form says of the rubric it showed. */
const rubricSaid = (form: FormData): RubricSaid =>
  form.has('rubric-shown') ? (form.has('rubric') ? 'taken' : 'left') : null;

/** Confirms a prompt that was brought in, or gives the form back with what is wrong in it. */
export async function confirmPrompt(id: string, before: BriefState, form: FormData): Promise<BriefState> {
  const who = await acting('bring a prompt in', outsideAt(id));
  const fields = briefFields(form);
  const done = await confirmIntake(who.deps, who.actor, id, fields, rubricSaid(form));
  if (done.ok) {
    await keepGiven(who.deps, form);
    redirect(responseAt(done.value.slug));
  }
  if (done.failure.code === 'not-found') redirect(newOutsideAt());
  return { fields, problems: done.failure.problems };
}

/** Corrects the rules of an outside discussion. */
export async function correctPrompt(slug: string, before: BriefState, form: FormData): Promise<BriefState> {
  const who = await acting('keep an outside discussion', briefAt(slug));
  const fields = briefFields(form);
  const done = await correctRules(who.deps, who.actor, slug, fields, rubricSaid(form));
  if (done.ok) {
    await keepGiven(who.deps, form);
    redirect(responseAt(slug));
  }
  if (done.failure.code === 'not-found') redirect(discussionsAt());
  return { fields, problems: done.failure.problems };
}
