import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer from 'nodemailer';
import { Refused, type MailPort, type Outgoing } from './port';

function message(mail: Outgoing, from: string) {
  const { headers: h } = mail;
  return {
    from,
    to: mail.to,
    subject: mail.subject,
    text: mail.text,
    // Which encoding is the shorter one need not be found out: there is always a dash or a name in it (RFC 2045, 6.7).
    textEncoding: 'quoted-printable' as const,
    ...(mail.html === null ? {} : { html: mail.html }),
    date: mail.date,
    messageId: h?.messageId ?? `<${mail.id}@${/@([^\s>]+)/u.exec(from)?.[1] ?? 'pulpit.invalid'}>`,
    ...(h?.references.length ? { references: [...h.references], inReplyTo: h.references.at(-1) ?? '' } : {}),
    ...(h?.replyTo ? { replyTo: h.replyTo } : {}),
    // What cannot be delivered comes back to whose it was.
    ...(h?.returnTo ? { envelope: { from: h.returnTo, to: mail.to.address } } : {}),
    headers: {
      'Auto-Submitted': 'auto-generated',
      ...(h?.list ? { 'List-Id': `${h.list.name.replace(/[<>\r\n]/gu, '')} <${h.list.id}>` } : {}),
      ...(h?.less
        ? {
            'List-Unsubscribe': { prepared: true, foldLines: false, value: `<${h.less}>` },
            'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
          }
        : {}),
    },
    disableFileAccess: true,
    disableUrlAccess: true,
  };
}

const codeOf = (error: unknown) => Number((error as { responseCode?: number }).responseCode ?? 0);

/** Hands mail to a server by SMTP (RFC 5321); the address says which, and how to sign in there. */
export function smtpPort(server: string, from: string, { waits = 30_000 } = {}): MailPort {
  const transport = nodemailer.createTransport({
    url: server,
    pool: true,
    maxConnections: 4,
    connectionTimeout: Math.min(10_000, waits),
    greetingTimeout: Math.min(10_000, waits),
    socketTimeout: waits,
  });
  return {
    send: async (mail) => {
      try {
        await transport.sendMail(message(mail, from));
      } catch (error) {
        const code = codeOf(error);
        const why = error instanceof Error ? error.message : String(error);
        throw code >= 500 && code < 600 ? new Refused(why) : error;
      }
    },
  };
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
