import { resolve } from 'node:path';
import { mailboxAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { answerMail, answerMailSchema } from '@/server/mail-in/answer';
import { openForm } from '../../_request/endpoint';
import { strangerDeps } from '../../_request/session';
import { seeOther } from '../../_request/write';

/** Answers a mail that lies in the demo's mailbox; where mail leaves for real, people answer in their own programs. */
export const POST = openForm('answer a mail of the demo', async ({ fields }) => {
  const { config, files, box } = app();
  if (!config.demo || config.smtp !== null) return new Response('Not found.\n', { status: 404 });
  const read = answerMailSchema.safeParse(Object.fromEntries(fields));
  if (!read.success) return seeOther(mailboxAt({ answer: 'nothing-written' }));
  const deps = { ...(await strangerDeps()), files, box };
  const done = await answerMail(deps, resolve(config.mailboxFolder), read.data);
  return seeOther(mailboxAt({ answer: done.ok ? 'taken' : done.failure.code }));
});
