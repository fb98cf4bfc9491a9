'use server';

import { redirect } from 'next/navigation';
import { deskAt, deskDiscussionAt, deskPromptAt, deskRubricAt, deskRulesAt } from '@/contract/addresses';
import { changeRules, makeDiscussion } from '@/server/desk/prompts';
import { keepRubric } from '@/server/desk/rubric';
import type { RubricState } from '@/ui/desk/rubric';
import type { BriefState } from '@/ui/outside/brief-form';
import { acting } from '../../../_request/acting';
import { briefFields } from '../../../_request/brief-fields';

/** Makes a discussion of a prompt, or gives the form back with what is wrong in it. */
export async function confirmForCourse(
  course: string,
  id: string,
  before: BriefState,
  form: FormData,
): Promise<BriefState> {
  const who = await acting('keep the desk', deskPromptAt(course, id));
  const fields = briefFields(form);
  const done = await makeDiscussion(who.deps, who.actor, course, id, fields);
  if (done.ok) redirect(deskDiscussionAt(course, done.value.slug, { answer: 'made' }));
  if (done.failure.code === 'not-found') redirect(deskAt(course, { answer: 'not-found' }));
  return { fields, problems: done.failure.problems };
}

/** Changes what a discussion asks for. */
export async function changeForCourse(
  course: string,
  slug: string,
  before: BriefState,
  form: FormData,
): Promise<BriefState> {
  const who = await acting('keep the desk', deskRulesAt(course, slug));
  const fields = briefFields(form);
  const done = await changeRules(who.deps, who.actor, course, slug, fields);
  if (done.ok) redirect(deskDiscussionAt(course, slug, { answer: 'rules' }));
  if (done.failure.code !== 'fields') redirect(deskDiscussionAt(course, slug, { answer: done.failure.code }));
  return { fields, problems: done.failure.problems };
}

/** Keeps a discussion's rubric, or gives the form back with what is wrong in it. */
export async function keepRubricOf(
  course: string,
  slug: string,
  before: RubricState,
  form: FormData,
): Promise<RubricState> {
  const who = await acting('keep the desk', deskRubricAt(course, slug));
  const fields = Object.fromEntries(
    [...form].flatMap(([name, value]) =>
      /^c\d+\./u.test(name) && typeof value === 'string' ? [[name, value]] : [],
    ),
  );
  const done = await keepRubric(who.deps, who.actor, course, slug, {
    fields: form.get('none') === 'yes' ? null : fields,
    sure: form.get('sure') === 'on',
  });
  if (done.ok) redirect(deskDiscussionAt(course, slug, { answer: 'rubric' }));
  if (done.failure.code === 'not-found') redirect(deskAt(course, { answer: 'not-found' }));
  return {
    fields,
    problems: done.failure.code === 'rubric' ? done.failure.problems : [],
    code: done.failure.code,
  };
}
