import { datesNamed } from '@/core/calendar/dates-named';
import { decodedCalendar } from '@/core/calendar/decoded';
import { importBusy } from '@/core/calendar/import';
import { checkDraft } from '@/core/checks/check-draft';
import { abridged, difference } from '@/core/drafts/difference';
import { termOf } from '@/core/elsewhere/syllabus';
import { documentOf } from '@/core/formats/as-document';
import { documentFromHtml, pageFromHtml } from '@/core/formats/from-html';
import { anchorAt, anchorOfWords } from '@/core/notes/anchor';
import { suggestBrief } from '@/core/outside/suggest';
import { captionsFrom } from '@/core/posts/captions';
import { plainText } from '@/core/document/flatten';
import { readDocument } from '@/core/prompts/on-document';
import { MOST_READ } from '@/core/prompts/read-prompt';
import { readMarksTable, type BroughtTable } from '@/core/marks/read-table';
import { rubricIn } from '@/core/rubric/rubric-in';
import { readRoster, type Roster } from '@/core/people/roster';
import { judge } from '@/core/substance/judge';
import { latexOfMathml } from '../formats/mathml';
import { readCartridge } from '../formats/read-cartridge';
import { decodeText, openFile, readFile, type BroughtFile, type Pictured } from '../formats/read-file';
import { readMail } from '../mail-in/read';
import { placesOf } from '../notes/places';
import { meaningsOf } from '../questions/meanings';
import { meantOf } from '../discussions/meant';
import { annotationsIn } from '../notes/read-annotations';
import { discussionIn } from '../outside/discussion-in';
import { fitting } from '../outside/fitting';
import { readArchive } from '../people/read-archive';
import { figuresNow } from '../posts/figures';
import { bibtexOf, citedIn, recordsOfBibtex } from '../sources/cite';

/** About forty pages. */
const MOST_PASTED = 100_000;

// What crosses from process to process is copied, and a copied Buffer may be a plain array of bytes.
const bytesBack = (file: BroughtFile): BroughtFile => ({
  ...file,
  bytes: Buffer.from(file.bytes.buffer, file.bytes.byteOffset, file.bytes.byteLength),
});

/**
 * The text that was pasted, with its formatting where that came along and says anything; of what is longer than any
 * syllabus as much as is read of a prompt.
 */
function pasted({ text, html }: { text: string; html: string }) {
  const rich = html.trim() ? documentFromHtml(html, undefined, latexOfMathml) : null;
  return rich && plainText(rich).trim()
    ? rich
    : documentOf(text.length > MOST_PASTED ? text.slice(0, MOST_READ) : text);
}

type Text = Parameters<typeof difference>[0];

/** Everything that reads what people bring. A task is pure: what it is given and what it answers can be copied. */
const tasks = {
  /** Busy times of a calendar file. */
  calendar: (i: { bytes: Uint8Array; window: Parameters<typeof importBusy>[1]; cut: boolean }) =>
    importBusy(decodedCalendar(i.bytes, i.cut), i.window, i.cut),
  /** Dates a calendar file names. */
  dates: (i: { text: string; zone: string }) => datesNamed(i.text, i.zone),
  /** The discussions of a term that a syllabus names. */
  term: (i: { doc: Parameters<typeof termOf>[0]; now: Parameters<typeof termOf>[1] }) => termOf(i.doc, i.now),
  /** A file of a word processor, PDF, page or text, opened. */
  file: (file: BroughtFile) => openFile(bytesBack(file)),
  /** The words of such a file. */
  words: (file: BroughtFile) => readFile(bytesBack(file)),
  /** An opened page as a document, its pictures by what each address became. */
  page: (i: { html: string; pictures: Pictured }) => {
    const asked = new Set<string>();
    const picture = (src: string) => {
      asked.add(src);
      return i.pictures.get(src) ?? null;
    };
    const page = pageFromHtml(i.html, picture, latexOfMathml);
    return { ...page, asked: [...asked] };
  },
  pasted,
  /** The posts of a discussion, and its prompt, in a saved page, a mail or a text. */
  discussion: (i: Parameters<typeof discussionIn>[0]) =>
    discussionIn({ ...i, file: i.file && bytesBack(i.file) }),
  /** A roster, in whatever letters a spreadsheet wrote it. */
  roster: (i: { bytes: Buffer }): Roster => {
    const text = decodeText(Buffer.from(i.bytes.buffer, i.bytes.byteOffset, i.bytes.byteLength));
    return text === null ? { code: 'no-columns', found: [] } : readRoster(text);
  },
  /** A table of marks, likewise. */
  marks: (i: { bytes: Buffer; scheme: Parameters<typeof readMarksTable>[1] }): BroughtTable => {
    const text = decodeText(Buffer.from(i.bytes.buffer, i.bytes.byteOffset, i.bytes.byteLength));
    return text === null ? { code: 'no-columns', found: [] } : readMarksTable(text, i.scheme);
  },
  /** A mail that somebody sent in answer to one. */
  mail: (i: { bytes: Buffer }) =>
    readMail(Buffer.from(i.bytes.buffer, i.bytes.byteOffset, i.bytes.byteLength)),
  /** What of a text can stand as a prompt. */
  fitting: (i: { doc: Parameters<typeof fitting>[0]; whole: string }) => fitting(i.doc, i.whole),
  captions: (i: { text: string; ms: number }) => captionsFrom(i.text, i.ms),
  /** A text against its brief, as it is stored. */
  figures: (i: Parameters<typeof figuresNow>[0]) => figuresNow(i),
  /** A text against its brief, as its writer sees it. Where the evidence is the browser finds again: it does not travel. */
  draft: (i: { rules: Parameters<typeof checkDraft>[0]; text: Parameters<typeof checkDraft>[1] }) => {
    const checked = checkDraft(i.rules, i.text);
    return { ...checked, checks: checked.checks.map((c) => ({ ...c, evidence: [] })) };
  },
  /** What a prompt asks. */
  prompt: (i: { doc: Parameters<typeof readDocument>[0] }) => readDocument(i.doc),
  /** The same as the fields of a brief. */
  brief: (i: { doc: Parameters<typeof suggestBrief>[0]; now: Parameters<typeof suggestBrief>[1] }) =>
    suggestBrief(i.doc, i.now),
  /** The rubric that stands in a prompt as a table. */
  rubric: (i: { doc: Parameters<typeof rubricIn>[0] }) => rubricIn(i.doc),
  /** Whether replies say something, each against what it answers. */
  substance: (i: { replies: { text: string; answered: Parameters<typeof judge>[1] }[] }) =>
    i.replies.map((r) => judge(r.text, r.answered).verdict),
  difference: (i: { first: Text; second: Text; brief: boolean }) => {
    const compared = difference(i.first, i.second);
    return i.brief ? { ...compared, stretches: abridged(compared.stretches) } : compared;
  },
  /** Where the passages of notes stand in a text. */
  places: (i: Parameters<typeof placesOf>[0]) => placesOf(i),
  /** The anchor of a passage by its place, or by words somebody typed. */
  passage: (i: { text: string; at: { start: number; end: number } | null; words: string }) =>
    i.at ? anchorAt(i.text, i.at.start, i.at.end) : anchorOfWords(i.text, i.words),
  /** Notes of a Web Annotation file, with what of them is in this text. */
  annotations: (i: { file: string; text: string }) => annotationsIn(i.file, i.text),
  /** One's own courses in an archive of everything of a person. */
  archive: (i: { bytes: Buffer }) =>
    readArchive(new Uint8Array(i.bytes.buffer, i.bytes.byteOffset, i.bytes.byteLength)),
  /** What a Common Cartridge carries. */
  cartridge: (i: { bytes: Buffer }) =>
    readCartridge(new Uint8Array(i.bytes.buffer, i.bytes.byteOffset, i.bytes.byteLength)),
  /** Where short texts stand among meanings. */
  meanings: (i: { texts: string[] }) => meaningsOf(i.texts),
  /** How a reply lies to what it answers, by its meaning. */
  meant: (i: Parameters<typeof meantOf>[0]) => meantOf(i),
  cited: (i: { items: Parameters<typeof citedIn>[0][] }) => i.items.map(citedIn),
  bibtex: (i: { text: string }) => recordsOfBibtex(i.text),
  bibtexOf: (i: { items: Parameters<typeof bibtexOf>[0] }) => bibtexOf(i.items),
} as const;

export type TaskName = keyof typeof tasks;
export type TaskInput<K extends TaskName> = Parameters<(typeof tasks)[K]>[0];
export type TaskOutput<K extends TaskName> = Awaited<ReturnType<(typeof tasks)[K]>>;

/** Does one task, here. */
export const perform = async <K extends TaskName>(task: K, input: TaskInput<K>): Promise<TaskOutput<K>> =>
  (await (tasks[task] as (input: TaskInput<K>) => unknown)(input)) as TaskOutput<K>;
