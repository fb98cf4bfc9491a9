import ReplyParser from 'email-reply-parser';
import PostalMime from 'postal-mime';

/** A mail that somebody sent, as far as an answer is made of it. */
export type ReadMail = {
  /** Whom it says it is from, in small letters; none where it names nobody, or several. */
  from: string | null;
  subject: string;
  /** What its writer wrote: without what they quote and their signature. */
  written: string;
  /** Their program sent it by itself: out of office, a report, a list. */
  automatic: boolean;
  /** It reports that a mail could not be delivered for good (RFC 3464), and why. */
  bounced: string | null;
  files: { name: string; bytes: Uint8Array }[];
};

const MOST_FILES = 10;
const MOST_WRITTEN = 60_000;

const bytesOf = (content: ArrayBuffer | Uint8Array | string): Uint8Array =>
  typeof content === 'string' ? new TextEncoder().encode(content) : new Uint8Array(content);

/** Words of a page without its form, for mail that has no text beside: what is quoted there stands in blockquotes, and goes. */
const wordsOf = (html: string) =>
  html
    .replace(/<(style|script|head)[\s\S]*?<\/\1>/giu, '')
    .replace(/<blockquote[\s\S]*<\/blockquote>/giu, '')
    .replace(/<(?:br|\/p|\/div|\/li)[^>]*>/giu, '\n')
    .replace(/<[^>]*>/gu, '')
    .replace(/&nbsp;/gu, ' ')
    .replace(/&lt;/gu, '<')
    .replace(/&gt;/gu, '>')
    .replace(/&quot;/gu, '"')
    .replace(/&amp;/gu, '&');

const BOUNCE = /^(?:message|multipart)\/(?:delivery-status|report)/iu;

/** The failure that a report of delivery tells of; null where it says that it goes on trying, or that it arrived. */
function bounceIn(texts: readonly string[]): string | null {
  const report = texts.find((t) => /^Action:\s*failed/imu.test(t));
  if (!report) return null;
  const [, why = ''] = /^Diagnostic-Code:\s*([^\r\n]*(?:\r?\n[ \t][^\r\n]*)*)/imu.exec(report) ?? [];
  const [, status = ''] = /^Status:\s*(5[\d.]*)/imu.exec(report) ?? [];
  if (!status) return null;
  return (why || `status ${status}`).replace(/\s+/gu, ' ').trim().slice(0, 300);
}

/**
 * Reads a mail (RFC 5322, MIME). Whatever it is, something is answered: a mail is no more than bytes that a stranger sent.
 */
export async function readMail(bytes: Uint8Array): Promise<ReadMail> {
  const mail = await PostalMime.parse(bytes, { maxNestingDepth: 20, maxHeadersSize: 200_000 });
  const header = (name: string) => mail.headers.find((h) => h.key === name)?.value ?? '';
  const reports = mail.attachments.filter((a) => BOUNCE.test(a.mimeType));
  const auto = header('auto-submitted');
  const text = (mail.text?.trim() ? mail.text : wordsOf(mail.html ?? '')).slice(0, MOST_WRITTEN);
  return {
    from: mail.from?.address ? mail.from.address.toLowerCase() : null,
    subject: mail.subject ?? '',
    written: new ReplyParser().read(text).getVisibleText().trim(),
    automatic:
      (auto !== '' && auto.toLowerCase() !== 'no') ||
      /bulk|auto_reply|list/iu.test(header('precedence')) ||
      header('list-id') !== '' ||
      reports.length > 0,
    bounced: bounceIn(reports.map((r) => new TextDecoder().decode(bytesOf(r.content)))),
    files: mail.attachments
      .filter((a) => !BOUNCE.test(a.mimeType) && a.disposition === 'attachment')
      .slice(0, MOST_FILES)
      .map((a) => ({ name: a.filename ?? 'attachment', bytes: bytesOf(a.content) })),
  };
}
