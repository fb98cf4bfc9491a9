import { randomUUID } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type/core';
import type { CartridgeReport } from '@/contract/desk';
import { afterHolidays } from '@/core/desk/holidays';
import { daysLater } from '@/core/deadlines/wallclock';
import { htmlOf } from '@/core/formats/to-html';
import { cartridgeEntries, type CartridgeItem, type CartridgeSection } from '@/core/formats/cartridge';
import { escapeHtml } from '@/core/document/written';
import type { Doc } from '@/core/document/nodes';
import type { Brief } from '@/core/brief/brief';
import { fail, ok, type Result } from '@/core/result';
import { holidaysIn } from '@/db/queries/course-settings';
import { weeksOf } from '@/db/queries/courses';
import { courseContents, lastFilePosition } from '@/db/queries/course-contents';
import { insertWeek } from '@/db/queries/desk';
import { insertFiles } from '@/db/queries/setup';
import type { NotFound } from '../access/enter';
import { addReading } from '../courses/add-reading';
import type { EnteredCourse } from '../courses/enter';
import type { Actor } from '../deps';
import type { EmbedDeps } from '../embeds/resolve';
import type { FileDeps } from '../files/receive';
import type { BroughtFile } from '../formats/read-file';
import { travellingPictures } from '../formats/travelling';
import { zipped } from '../formats/zip';
import { readFor } from '../readers/readers';
import { enterDesk } from './enter';
import { takePromptIn } from './prompts';
import { startAfter } from './term';

type CartridgeDeps = FileDeps & EmbedDeps;

/** A document as HTML with its pictures in it: nothing of it is fetched from anywhere. */
async function wholeHtml(deps: FileDeps, actor: Actor, doc: Doc): Promise<string> {
  const pictures = await travellingPictures(deps, actor, doc);
  return htmlOf(doc, {
    picture: (file) => {
      const found = pictures.get(file);
      return found ? `data:${found.mediaType};base64,${Buffer.from(found.content).toString('base64')}` : null;
    },
  });
}

/** Questions stand in the brief; a topic has them at the end of its text. */
const questionsOf = ({ parts }: Brief) =>
  parts.length ? `<ol>${parts.map((p) => `<li>${escapeHtml(p.text)}</li>`).join('')}</ol>` : '';

/** The whole course as a Common Cartridge 1.3: weeks, prompts as discussion topics, readings as pages, files. Nothing of the class. */
export async function cartridgeOf(
  deps: FileDeps,
  actor: Actor,
  slug: string,
): Promise<Result<{ name: string; bytes: Uint8Array }, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const sections: CartridgeSection[] = [];
  for (const week of await courseContents(deps.db, course.id)) {
    const items: CartridgeItem[] = [];
    for (const r of week.readings)
      items.push({
        kind: 'page',
        title: r.title,
        html: r.doc ? await wholeHtml(deps, actor, r.doc) : `<p>${escapeHtml(r.place || r.author)}</p>`,
      });
    for (const d of week.prompts)
      items.push({
        kind: 'topic',
        title: d.title,
        html: (await wholeHtml(deps, actor, d.prompt)) + questionsOf(d.brief),
      });
    for (const f of week.files) items.push({ kind: 'file', title: f.title, name: f.name, bytes: f.content });
    sections.push({ title: `Week ${week.number}: ${week.title}`, items });
  }
  const entries = cartridgeEntries({ title: `${course.code} ${course.title}`, sections });
  return ok({ name: `${slug}.imscc`, bytes: zipped(entries, true) });
}

const asFile = (title: string, html: string): BroughtFile => ({
  name: `${title.replace(/[/\\]/gu, ' ').slice(0, 100)}.html`,
  bytes: Buffer.from(`<!doctype html><meta charset="utf-8"><title>${escapeHtml(title)}</title><body>${html}`),
  cut: false,
});

/** What is put into a week of one section; what could not be is told by its name. */
async function takeSection(
  deps: CartridgeDeps,
  actor: Actor,
  course: EnteredCourse,
  week: number,
  { items }: CartridgeSection,
  report: CartridgeReport,
) {
  for (const item of items) {
    if (item.kind === 'page') {
      const input = { week, title: item.title, author: '', text: '' };
      const done = await addReading(deps, actor, course.slug, input, asFile(item.title, item.html));
      if (done.ok) report.readings += 1;
      else report.left.push(`${item.title} (${done.failure.code})`);
    } else if (item.kind === 'topic') {
      const file = asFile(item.title, `<h2>${escapeHtml(item.title)}</h2>${item.html}`);
      const done = await takePromptIn(deps, actor, course.slug, { text: '', html: '', files: [file] });
      if (done.ok) report.prompts += 1;
      else report.left.push(`${item.title} (${done.failure.code})`);
    } else {
      const content = Buffer.from(item.bytes);
      const type = await fileTypeFromBuffer(content);
      await insertFiles(deps.db, [
        {
          course: course.id,
          id: randomUUID(),
          week,
          position: (await lastFilePosition(deps.db, course.id, week)) + 1,
          name: item.name.slice(0, 120),
          title: item.title,
          mediaType: type?.mime ?? 'application/octet-stream',
          content,
        },
      ]);
      report.files += 1;
    }
  }
}

/** A week's name without its number, which it has here anyway. */
const nameOf = (title: string) => title.replace(/^week\s+\d+\s*[:.–-]\s*/iu, '').trim() || title;

/**
 * Takes a Common Cartridge into a course: each section becomes a week after those that are there, pages readings, and topics prompts that
 * wait on the desk for their brief to be confirmed. What it holds beside is named in the report.
 */
export async function takeCartridgeIn(
  deps: CartridgeDeps,
  actor: Actor,
  slug: string,
  file: BroughtFile,
): Promise<Result<CartridgeReport, NotFound | { code: 'no-cartridge' } | { code: 'not-read' }>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const read = file.cut ? null : await readFor(deps, actor, 'cartridge', { bytes: file.bytes });
  if (!read?.ok) return fail({ code: 'not-read' });
  if (!read.value.ok) return fail({ code: 'no-cartridge' });
  const { cartridge, left, attributes } = read.value.value;
  const report: CartridgeReport = {
    weeks: 0,
    prompts: 0,
    readings: 0,
    files: 0,
    left: [...left],
    attributes,
  };
  const holidays = await holidaysIn(deps.db, course.id);
  const weeks = await weeksOf(deps.db, course.id);
  let number = Math.max(0, ...weeks.map((w) => w.number));
  let startsOn = afterHolidays(holidays, startAfter(weeks, deps, course));
  for (const section of cartridge.sections.filter((s) => s.items.length > 0)) {
    number += 1;
    if (number > 60) {
      report.left.push(section.title);
      continue;
    }
    await insertWeek(deps.db, course.id, { number, title: nameOf(section.title), startsOn, overview: '' });
    report.weeks += 1;
    await takeSection(deps, actor, course, number, section, report);
    startsOn = afterHolidays(holidays, daysLater(`${startsOn}T00:00`, 7).slice(0, 10));
  }
  return ok(report);
}
