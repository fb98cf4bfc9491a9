import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import type { MailPort, Outgoing } from './port';

const message = (mail: Outgoing, from: string) => ({
  from,
  to: mail.to,
  subject: mail.subject,
  text: mail.text,
  date: mail.date,
  messageId: `<${mail.id}@${/@([^\s>]+)/u.exec(from)?.[1] ?? 'pulpit.invalid'}>`,
  headers: { 'Auto-Submitted': 'auto-generated' },
  disableFileAccess: true,
  disableUrlAccess: true,
});

/** Hands mail to a server by SMTP (RFC 5321); the address says which, and how to sign in there. */
export function smtpPort(server: string, from: string): MailPort {
  const transport = nodemailer.createTransport({
    url: server,
    connectionTimeout: 10_000,
    socketTimeout: 30_000,
  });
  return { send: async (mail) => void (await transport.sendMail(message(mail, from))) };
}

/**
 * The mailbox that ships: each mail a file of its own (RFC 5322), under its own name, so that one that is sent again is still one. The
 * file is whole or not there.
 */
export function mailboxPort(folder: string, from: string): MailPort {
  const transport = nodemailer.createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  return {
    send: async (mail) => {
      const { message: bytes } = await transport.sendMail(message(mail, from));
      await mkdir(folder, { recursive: true, mode: 0o700 });
      const place = join(folder, `${mail.id}.eml`);
      await writeFile(`${place}.part`, bytes as Buffer, { mode: 0o600 });
      await rename(`${place}.part`, place);
    },
  };
}
