'use server';

import { redirect } from 'next/navigation';
import { FIELDS, type Fields } from '@/core/outside/fields';
import { confirmIntake, correctRules } from '@/server/outside/confirm';
import type { BriefState } from '@/ui/outside/brief-form';
import { requireVisitor } from '../_request/session';

const LONGEST_FIELD = 20_000;

/** The fields of the form as text; one that is not a field of it is not looked at. */
function fieldsOf(form: FormData): Fields {
  const fields: Fields = {};
  for (const field of FIELDS) {
    const value = form.get(field);
    if (typeof value === 'string' && value !== '') fields[field] = value.slice(0, LONGEST_FIELD);
  }
  return fields;
}

/** Confirms a prompt that was brought in, or gives the form back with what is wrong in it. */
export async function confirmPrompt(id: string, before: BriefState, form: FormData): Promise<BriefState> {
  const who = await requireVisitor(`/outside/${id}`);
  const fields = fieldsOf(form);
  const done = await confirmIntake(who.deps, who.actor, id, fields);
  if (done.ok) redirect(`/discussions/${done.value.slug}/response`);
  if (done.failure.code === 'not-found') redirect('/outside/new');
  return { fields, problems: done.failure.problems };
}

/** Corrects the rules of an outside discussion. */
export async function correctPrompt(slug: string, before: BriefState, form: FormData): Promise<BriefState> {
  const who = await requireVisitor(`/discussions/${slug}/brief`);
  const fields = fieldsOf(form);
  const done = await correctRules(who.deps, who.actor, slug, fields);
  if (done.ok) redirect(`/discussions/${slug}/response`);
  if (done.failure.code === 'not-found') redirect('/discussions');
  return { fields, problems: done.failure.problems };
}
