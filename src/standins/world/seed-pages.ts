import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CourseId, Instant } from '@/core/ids';
import { documentOf } from '@/core/formats/as-document';
import { plainText } from '@/core/document/flatten';
import { syllabusSchema } from '@/core/syllabus/syllabus';
import { countWords } from '@/core/text/words';
import type { Deps } from '@/server/deps';
import * as setup from '@/server/setup/setup';
import { PAGES } from './pages';

const textOf = (slug: string) =>
  documentOf(readFileSync(join(process.cwd(), 'src/standins/world/readings', `${slug}.md`), 'utf8'));

/** Lays out what a course page shows beside its discussions: readings, files and the syllabus. */
export async function addPages(
  tx: Deps['db'],
  code: string,
  course: CourseId,
  now: Instant,
  idOf: (kind: string, name: string) => string,
) {
  const pages = PAGES[code];
  if (!pages) return;
  const nth = <T extends { week: number }>(rows: T[], row: T) =>
    rows.filter((r) => r.week === row.week).indexOf(row) + 1;
  await setup.addReadings(
    tx,
    pages.readings.map((r) => {
      const doc = r.print ? null : textOf(r.slug);
      return {
        course,
        id: idOf('reading', r.slug),
        slug: r.slug,
        week: r.week,
        position: nth(pages.readings, r),
        title: r.title,
        author: r.author,
        words: r.print?.words ?? countWords(doc ? plainText(doc) : ''),
        doc,
        place: r.print?.place ?? '',
      };
    }),
  );
  if (pages.files.length) {
    await setup.addFiles(
      tx,
      pages.files.map((f) => ({
        course,
        id: idOf('file', `${code} ${f.name}`),
        week: f.week,
        position: nth(pages.files, f),
        name: f.name,
        title: f.title,
        mediaType: f.mediaType,
        content: Buffer.from(f.content, 'utf8'),
      })),
    );
  }
  await setup.addSyllabus(tx, course, syllabusSchema.parse(pages.syllabus), now);
}

export const overviewsOf = (code: string) => PAGES[code]?.overviews ?? [];
