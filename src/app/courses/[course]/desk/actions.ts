'use server';

import { redirect } from 'next/navigation';
import {
  deskAt,
  deskDiscussionAt,
  deskPromptAt,
  deskRubricAt,
  deskRulesAt,
  deskSettingsAt,
  deskSyllabusAt,
} from '@/contract/addresses';
import { storable } from '@/core/document/document';
import { SYLLABUS_FIELDS, type SyllabusFields } from '@/core/syllabus/form';
import { changeRules, makeDiscussion } from '@/server/desk/prompts';
import { keepRubric } from '@/server/desk/rubric';
import { changeSyllabus } from '@/server/desk/syllabus';
import type { RubricState } from '@/ui/desk/rubric';
import type { SyllabusState } from '@/ui/desk/syllabus';
import type { BriefState } from '@/ui/outside/brief-form';
import { deskAnswer } from '@/ui/words/desk';
import { materialTrouble } from '@/ui/words/material';
import { acting } from '../../../_request/acting';
import { briefFields } from '../../../_request/brief-fields';
import { keepGiven } from '../../../_request/given-corrections';
import { sentDocument } from '../../../_request/write';

/** Makes a discussion of a prompt, or gives the form back with what is wrong in it. */
export async function confirmForCourse(
  course: string,
  id: string,
  before: BriefState,
  form: FormData,
): Promise<BriefState> {
  const who = await acting('keep the desk', deskPromptAt(course, id));
  const fields = briefFields(form);
  const given = { fields, doc: sentDocument(form.get('doc')) };
  const done = await makeDiscussion(who.deps, who.actor, course, id, given);
  if (done.ok) {
    await keepGiven(who.deps, form);
    redirect(deskDiscussionAt(course, done.value.slug, { answer: 'made' }));
  }
  const { failure } = done;
  if (failure.code === 'not-found') redirect(deskAt(course, { answer: 'not-found' }));
  if (failure.code === 'fields') return { fields, problems: failure.problems };
  return { fields, problems: [], trouble: materialTrouble(failure.code) };
}

/** Changes what a discussion asks for; what that does to whom is asked about first. */
export async function changeForCourse(
  course: string,
  slug: string,
  before: BriefState,
  form: FormData,
): Promise<BriefState> {
  const who = await acting('keep the desk', deskRulesAt(course, slug));
  const fields = briefFields(form);
  const sure = form.get('sure');
  const done = await changeRules(who.deps, who.actor, course, slug, {
    fields,
    doc: sentDocument(form.get('doc')),
    sure: typeof sure === 'string' ? sure : null,
  });
  if (done.ok) {
    await keepGiven(who.deps, form);
    redirect(deskDiscussionAt(course, slug, { answer: 'rules' }));
  }
  const { failure } = done;
  switch (failure.code) {
    case 'not-found':
      redirect(deskAt(course, { answer: 'not-found' }));
    case 'fields':
      return { fields, problems: failure.problems };
    case 'touches':
      return { fields, problems: [], touches: { touched: failure.touched, stamp: failure.stamp } };
    case 'groups-stay':
      return { fields, problems: [], trouble: deskAnswer('groups-stay').text };
    default:
      return { fields, problems: [], trouble: materialTrouble(failure.code) };
  }
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

/** Keeps a course's syllabus, or gives the form back with what is wrong in it. */
export async function keepSyllabusOf(
  course: string,
  before: SyllabusState,
  form: FormData,
): Promise<SyllabusState> {
  const who = await acting('keep the desk', deskSyllabusAt(course));
  const fields: SyllabusFields = {};
  for (const field of SYLLABUS_FIELDS) {
    const value = form.get(field);
    if (typeof value === 'string') fields[field] = storable(value.replace(/\r\n?/gu, '\n')).slice(0, 20_000);
  }
  const toSign = form.get('toSign') === 'on';
  const done = await changeSyllabus(who.deps, who.actor, course, { fields, toSign });
  if (done.ok) redirect(deskSettingsAt(course, { answer: 'syllabus' }));
  if (done.failure.code === 'not-found') redirect(deskAt(course, { answer: 'not-found' }));
  return { fields, toSign, problems: done.failure.problems };
}
