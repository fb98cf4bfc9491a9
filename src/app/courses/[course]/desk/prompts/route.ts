import { deskNewAt, deskPromptAt } from '@/contract/addresses';
import { takePromptIn } from '@/server/desk/prompts';
import { takenIn, TAKING_IN } from '../../../../_request/taking-in';
import { weekAsked } from '../week-asked';
import { uploadForm } from '../../../../_request/endpoint';

/** Takes a prompt in for a course: pasted text, files, or both. */
export const POST = uploadForm<'course'>(
  'keep the desk',
  TAKING_IN,
  ({ course }) => deskNewAt(course),
  async ({ who, params: { course }, fields, files, page }) =>
    takenIn(
      { fields, files },
      page,
      (given) => takePromptIn(who.deps, who.actor, course, given),
      ({ id }) => deskPromptAt(course, id, { week: weekAsked(fields.get('week')) }),
    ),
);
