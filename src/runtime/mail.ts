import { resolve } from 'node:path';
import type { MailPort } from '@/server/mail/port';
import { mailboxPort, smtpPort } from '@/server/mail/ports';
import type { MailHome } from '@/server/notices/letter';
import type { Config } from './config';

/** Where mail of this installation leaves: to a server, or into the mailbox that ships. */
export const mailPort = ({ smtp, mailFrom, mailboxFolder }: Config): MailPort =>
  smtp ? smtpPort(smtp, mailFrom) : mailboxPort(resolve(mailboxFolder), mailFrom);

/** Where it comes from and comes back to. */
export const mailHome = ({ site, mailFrom, mailIn, demo, smtp }: Config): MailHome => ({
  site,
  domain: mailIn?.domain ?? /@([^\s>]+)/u.exec(mailFrom)?.[1] ?? 'pulpit.invalid',
  // In the demo its mailbox is the mail program.
  takesAnswers: mailIn !== null || (demo && smtp === null),
});
