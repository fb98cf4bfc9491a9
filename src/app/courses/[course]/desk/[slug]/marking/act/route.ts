import { z } from 'zod';
import { deskMarkingAt, deskMarksTableAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { isTime, typedWall } from '@/core/deadlines/typed';
import { personId } from '@/core/ids';
import { markSchema, waySchema } from '@/core/marks/mark';
import { chooseRelease, chooseWay, keepMark } from '@/server/marks/keep';
import { releaseMarks } from '@/server/marks/release';
import { letStand, readTwice, sharedBySchema, shareClass } from '@/server/marks/together';
import { form } from '../../../../../../_request/endpoint';
import { sentDocument, seeOther } from '../../../../../../_request/write';

const DOES = [
  'keep',
  'release',
  'release-some',
  'way',
  'release-at',
  'release-never',
  'share-out',
  'share-none',
  'second',
  'second-none',
  'let-stand',
] as const;

const number = (text: string | null) => (text === null || text.trim() === '' ? null : Number(text));

/** A mark out of the fields of its form, as it comes without scripts. */
function markOf(fields: URLSearchParams) {
  const points = number(fields.get('override.points'));
  const reason = (fields.get('override.reason') ?? '').trim();
  return markSchema.safeParse({
    levels: Object.fromEntries(
      [...fields].flatMap(([name, value]) =>
        name.startsWith('level.') ? [[name.slice('level.'.length), Number(value)]] : [],
      ),
    ),
    points: number(fields.get('points')),
    verdict: fields.get('verdict') ?? null,
    override: points !== null && reason ? { points, reason } : null,
    remark: fields.get('remark') ?? '',
    more: sentDocument(fields.get('more')) ?? null,
    comments: sentDocument(fields.get('comments')) ?? [],
  });
}

/** What staff do about the marks of a discussion: keep one without scripts, release them, say how and when. */
export const POST = form<'course' | 'slug'>(
  'mark a part',
  ({ course, slug }) => deskMarkingAt(course, slug),
  async ({ who, params: { course, slug }, fields }) => {
    const { deps, actor } = who;
    const student = fields.get('student');
    const back = (answer: string) =>
      seeOther(
        deskMarkingAt(course, slug, {
          student,
          covered: fields.get('covered'),
          everybody: fields.get('everybody'),
          second: fields.get('second'),
          answer,
        }),
      );
    const toTable = (answer: string) => seeOther(deskMarksTableAt(course, slug, { answer }));
    const at = { slug: course, name: slug };
    const does = z.enum(DOES).safeParse(fields.get('do'));
    if (!does.success) return back('fields');
    switch (does.data) {
      case 'keep': {
        const mark = markOf(fields);
        const base = Number(fields.get('base') ?? 0);
        if (!mark.success || !student || !Number.isInteger(base) || base < 0) return back('fields');
        const kept = await keepMark(
          deps,
          actor,
          { ...at, person: student },
          { mark: mark.data, base, second: fields.get('second') === 'yes' },
        );
        return back(kept.ok ? 'mark-kept' : kept.failure.code);
      }
      case 'release': {
        const only = fields.get('whose') === 'mine' ? 'mine' : null;
        const released = await releaseMarks(deps, actor, course, slug, only);
        return back(released.ok ? (released.value ? 'marks-released' : 'no-marks') : released.failure.code);
      }
      case 'release-some': {
        const only = fields.getAll('person');
        if (only.length === 0) return toTable('nobody');
        const released = await releaseMarks(deps, actor, course, slug, only);
        return toTable(
          released.ok ? (released.value ? 'marks-released' : 'no-marks') : released.failure.code,
        );
      }
      case 'share-out':
      case 'share-none': {
        const by = sharedBySchema.safeParse(fields.get('by') ?? 'letter');
        const among = does.data === 'share-none' ? [] : fields.getAll('marker');
        if (!by.success || (does.data === 'share-out' && among.length === 0)) return back('fields');
        const shared = await shareClass(deps, actor, at, { by: by.data, among });
        return back(shared.ok ? does.data : shared.failure.code);
      }
      case 'second':
      case 'second-none': {
        const reader = does.data === 'second' ? fields.get('reader') : null;
        if (does.data === 'second' && !reader) return toTable('fields');
        const asked = await readTwice(deps, actor, at, { people: fields.getAll('person'), reader });
        return toTable(asked.ok ? does.data : asked.failure.code);
      }
      case 'let-stand': {
        if (!student || !isUuid(student)) return back('fields');
        const stands = await letStand(deps, actor, at, personId(student));
        return back(stands.ok ? 'let-stand' : stands.failure.code);
      }
      case 'way': {
        const way = fields.get('way') ? waySchema.safeParse(fields.get('way')) : null;
        if (way && !way.success) return back('fields');
        const chosen = await chooseWay(deps, actor, course, slug, way ? way.data : null);
        return back(chosen.ok ? 'way' : chosen.failure.code);
      }
      case 'release-at':
      case 'release-never': {
        const wall = does.data === 'release-at' ? typedWall(fields.get('at') ?? '') : '';
        if (does.data === 'release-at' && !isTime(wall)) return back('no-time');
        const chosen = await chooseRelease(deps, actor, course, slug, wall || null);
        return back(chosen.ok ? does.data : chosen.failure.code);
      }
    }
  },
);
