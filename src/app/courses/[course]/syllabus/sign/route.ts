import { syllabusAt } from '@/contract/addresses';
import { signSyllabus } from '@/server/courses/sign-syllabus';
import { form } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** A student signs the syllabus as they read it. */
export const POST = form<'course'>(
  'sign a syllabus',
  ({ course }) => syllabusAt(course),
  async ({ who, params: { course }, fields }) => {
    const version = Number(fields.get('version'));
    const done = await signSyllabus(who.deps, who.actor, course, Number.isInteger(version) ? version : 0);
    return seeOther(syllabusAt(course, { answer: done.ok ? 'signed' : done.failure.code }));
  },
);
