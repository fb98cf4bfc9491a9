import { readFile, readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import PostalMime from 'postal-mime';
import type { MailboxPage, MailView } from '@/contract/stewards';
import { instant } from '@/core/ids';

const SHOWN = 100;
const LARGEST = 200_000;
const NAME = /^[0-9a-f-]{36}\.eml$/u;

async function mailOf(folder: string, name: string): Promise<MailView | null> {
  const bytes = await readFile(join(folder, name));
  if (bytes.length > LARGEST) return null;
  const mail = await PostalMime.parse(bytes);
  return {
    id: name.slice(0, -4),
    to: mail.to?.map((t) => t.address ?? '').join(', ') ?? '',
    subject: mail.subject ?? '',
    text: mail.text ?? '',
    html: mail.html ?? null,
    answers: mail.replyTo?.[0]?.address ?? null,
    at: instant(Date.parse(mail.date ?? '') || 0),
  };
}

/** The newest mails of the mailbox that ships, as a mail reader would show them. */
export async function mailbox(folder: string): Promise<MailboxPage> {
  const names = (await readdir(folder).catch(() => [])).filter((name) => NAME.test(name));
  const dated = await Promise.all(
    names.map(async (name) => ({
      name,
      at: (await stat(join(folder, name)).catch(() => null))?.mtimeMs ?? 0,
    })),
  );
  const newest = dated.sort((a, b) => b.at - a.at).slice(0, SHOWN);
  const mails = await Promise.all(newest.map(({ name }) => mailOf(folder, name)));
  return {
    mails: mails.flatMap((m) => (m ? [m] : [])).sort((a, b) => b.at - a.at),
    more: Math.max(0, names.length - SHOWN),
  };
}
