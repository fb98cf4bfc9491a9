import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import PostalMime from 'postal-mime';
import { z } from 'zod';
import { fail, type Result } from '@/core/result';
import { takeMailIn, type MailInDeps, type NotTaken } from './take';

export const answerMailSchema = z.object({
  mail: z.uuid(),
  text: z.string().trim().min(1).max(20_000),
});

/**
 * Answers a mail of the mailbox that ships, as the mail program of whoever it was sent to would: the words, what they quote under them, to where answers go.
 */
export async function answerMail(
  deps: MailInDeps,
  folder: string,
  { mail, text }: z.output<typeof answerMailSchema>,
): Promise<Result<null, NotTaken>> {
  const bytes = await readFile(join(folder, `${mail}.eml`)).catch(() => null);
  const read = bytes && (await PostalMime.parse(bytes));
  const from = read?.to?.[0]?.address;
  const to = read?.replyTo?.[0]?.address;
  if (!read || !from || !to) return fail({ code: 'no-such-address' });
  const program = nodemailer.createTransport({ streamTransport: true, buffer: true });
  const quoted = (read.text ?? '').replace(/^/gmu, '> ');
  const { message } = await program.sendMail({
    from,
    to,
    subject: `Re: ${read.subject ?? ''}`,
    inReplyTo: read.messageId,
    text: `${text}\n\nOn ${read.date ?? 'a day'}, Pulpit <${read.from?.address ?? ''}> wrote:\n${quoted}`,
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  return takeMailIn(deps, to, message as Buffer);
}
