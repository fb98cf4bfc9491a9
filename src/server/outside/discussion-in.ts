import PostalMime from 'postal-mime';
import { instantOf, wallClockAt } from '@/core/deadlines/wallclock';
import { instant } from '@/core/ids';
import { parseDocument } from '@/core/document/document';
import { plainText } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { paragraphsHtml } from '@/core/document/written';
import type { Block, Found } from '@/core/elsewhere/blocks';
import { discussionInHtml, discussionInText, type FoundDiscussion } from '@/core/elsewhere/find-discussion';
import { nameIn } from '@/core/elsewhere/names';
import { documentOf } from '@/core/formats/as-document';
import { blocksOfDiscussion, readDiscussionFile } from '@/core/formats/discussion-file';
import { documentFromHtml } from '@/core/formats/from-html';
import { latexOfMathml } from '../formats/mathml';
import { decodeText, readFile, type BroughtFile } from '../formats/read-file';

/** Of a mail or an archived page (RFC 2557) the first line is a header. */
const MAIL =
  /^(?:From |(?:From|MIME-Version|Content-Type|Date|Subject|Received|Return-Path|Delivered-To|Message-ID|Snapshot-Content-Location):)/iu;
const MARKUP = /<(?:!doctype|html|body|div|p|article|table|ul|ol)\b/iu;
const MOST_TEXT = 4_000_000;
const MINUTE_MS = 60_000;

/** A text as it can stand in a post: its form where that holds, else its words. */
function docOf(html: string, text: string): Doc {
  const rich = parseDocument(documentFromHtml(html, undefined, latexOfMathml));
  if (rich.ok && plainText(rich.value).trim()) return rich.value;
  return documentOf(text.slice(0, 40_000));
}

/** A moment that is said by how long ago it was, on the clock of whoever saved the page. */
const wallOf = ({ wall, ago }: { wall: string | null; ago: number | null }, now: string) =>
  wall ?? (ago === null ? null : wallClockAt(instant(instantOf(now, 'UTC') - ago * MINUTE_MS), 'UTC'));

function blocksOf(found: FoundDiscussion, now: string): Found {
  const { prompt } = found;
  const first = prompt ? 1 : 0;
  return {
    title: found.title,
    course: found.course,
    blocks: [
      ...(prompt
        ? [
            {
              kind: 'prompt',
              author: '',
              staff: true,
              wall: null,
              to: null,
              because: null,
              title: '',
              doc: docOf(prompt.html, prompt.text),
            } satisfies Block,
          ]
        : []),
      ...found.posts.map((p): Block => ({
        // A post that was taken away has nothing to be put in.
        kind: p.text.trim() === '' ? 'other' : p.parent === null ? 'response' : 'reply',
        author: p.author,
        staff: p.staff,
        wall: wallOf(p, now),
        to: p.parent === null ? null : p.parent + first,
        because: p.because,
        title: p.title.slice(0, 160),
        doc: docOf(p.html, p.text),
      })),
    ],
  };
}

/** A mail by itself, in which no others are quoted: one post, of whom it is from. */
function alone(
  mail: { from: string; subject: string; date: string | null },
  found: FoundDiscussion,
  text: string,
): FoundDiscussion {
  if (found.posts.length >= 2 || !text.trim()) return found;
  const who = nameIn(mail.from);
  return {
    ...found,
    title: mail.subject.replace(/^(?:(?:re|fwd?|aw|wg):\s*)+/iu, ''),
    prompt: null,
    posts: [
      {
        author: who?.name ?? mail.from,
        staff: who?.staff ?? false,
        wall: mail.date,
        ago: null,
        parent: null,
        because: null,
        title: '',
        html: paragraphsHtml(text.split(/\n{2,}/u)),
        text,
      },
    ],
  };
}

async function inMail(bytes: Uint8Array, now: string, zone: string): Promise<FoundDiscussion> {
  const mail = await PostalMime.parse(bytes, { maxNestingDepth: 20, maxHeadersSize: 200_000 });
  const html = (mail.html ?? '').slice(0, MOST_TEXT);
  const text = (mail.text ?? '').slice(0, MOST_TEXT);
  const inHtml = html.trim() ? discussionInHtml(html, now) : null;
  const inText = text.trim() ? discussionInText(text, now) : null;
  const best = (inHtml?.posts.length ?? 0) >= (inText?.posts.length ?? 0) ? inHtml : inText;
  const said =
    mail.date && Number.isFinite(Date.parse(mail.date))
      ? wallClockAt(instant(Date.parse(mail.date)), zone)
      : null;
  const empty = { course: '', title: mail.subject ?? '', prompt: null, posts: [] };
  return alone(
    { from: mail.from?.name || mail.from?.address || '', subject: mail.subject ?? '', date: said },
    best ?? empty,
    text || (inHtml?.prompt?.text ?? ''),
  );
}

/**
 * The discussion in what somebody brought: a discussion's own file, a saved page (HTML, MHTML), a mail, a PDF or a text, or what was pasted. `now` is their wall clock.
 * Of what holds no posts the blocks hold none either.
 */
export async function discussionIn(given: {
  file: BroughtFile | null;
  text: string;
  html: string;
  now: string;
  /** Theirs, for moments that are said in another. */
  zone: string;
}): Promise<Found> {
  const { file, now } = given;
  if (!file) {
    const rich = given.html.trim() ? discussionInHtml(given.html, now) : null;
    const plain = discussionInText(given.text, now);
    return blocksOf(rich && rich.posts.length >= plain.posts.length ? rich : plain, now);
  }
  const whole = decodeText(file.bytes);
  const own = whole === null ? null : readDiscussionFile(whole);
  if (own) return blocksOfDiscussion(own, given.zone);
  const text = whole?.slice(0, MOST_TEXT) ?? null;
  if (text !== null && /\.(?:eml|mht|mhtml|mbox)$/iu.test(file.name) && MAIL.test(text))
    return blocksOf(await inMail(file.bytes, now, given.zone), now);
  if (text !== null && MAIL.test(text) && /^content-type:\s*multipart/imu.test(text.slice(0, 4_000)))
    return blocksOf(await inMail(file.bytes, now, given.zone), now);
  if (text !== null && (MARKUP.test(text.slice(0, 4_000)) || /\.html?$/iu.test(file.name)))
    return blocksOf(discussionInHtml(text, now), now);
  if (text !== null) return blocksOf(discussionInText(text, now), now);
  const words = await readFile(file);
  return blocksOf(
    words.ok
      ? discussionInText(plainText(words.value), now)
      : { course: '', title: '', prompt: null, posts: [] },
    now,
  );
}
