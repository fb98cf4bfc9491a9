import type { DeskSyllabusPage } from '@/contract/desk';
import {
  fieldsOfSyllabus,
  syllabusOfFields,
  type SyllabusFields,
  type SyllabusProblem,
} from '@/core/syllabus/form';
import { ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import { habitsOf } from '@/db/queries/course-settings';
import { syllabusOf } from '@/db/queries/courses';
import { putSyllabus, signaturesOf, signingOf } from '@/db/queries/syllabus';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterDesk } from './enter';

/** A course's syllabus as it is written on the desk; one that is not there yet begins as the course does it. */
export async function deskSyllabusPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<DeskSyllabusPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const [syllabus, signing, habits] = [
    await ask(syllabusOf(deps.db, course.id)),
    await signingOf(deps.db, course.id),
    await habitsOf(deps.db, course.id),
  ];
  const signatures = signing?.toSign ? await signaturesOf(deps.db, course.id, signing.version) : [];
  return ok({
    course,
    stands: syllabus !== null,
    toSign: signing?.toSign ?? false,
    unsigned: signatures.filter((s) => s.signedAt === null).map(({ id, name }) => ({ id, name })),
    signed: signatures.filter((s) => s.signedAt !== null).length,
    fields: syllabus
      ? fieldsOfSyllabus(syllabus)
      : {
          late: habits?.late?.rule ?? 'refused',
          responseDay: String(habits?.response?.day ?? 4),
          responseTime: habits?.response?.time ?? '23:59',
          repliesDay: String(habits?.replies?.day ?? 7),
          repliesTime: habits?.replies?.time ?? '23:59',
          contactName: actor.name,
        },
  });
}

/** Says a course's syllabus anew. Where students sign it, another text asks each of them again. */
export async function changeSyllabus(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: { fields: SyllabusFields; toSign: boolean },
): Promise<Result<null, NotFound | { code: 'syllabus'; problems: SyllabusProblem[] }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const read = syllabusOfFields(said.fields);
  if (!read.ok) return read;
  await putSyllabus(deps.db, door.value.id, { syllabus: read.value, toSign: said.toSign }, deps.now);
  return ok(null);
}
