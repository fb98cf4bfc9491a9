import { resolve } from 'node:path';
import { notFound } from 'next/navigation';
import { mailboxAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { mailbox } from '@/server/mail/mailbox';
import { REFUSALS } from '@/server/mail-in/take';
import type { Answer } from '@/ui/frame/answer';
import { Mailbox } from '@/ui/stewards/mailbox';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { visitor } from '../_request/session';
import { requireSteward } from '../_request/stewards';

export const metadata = { title: 'Mailbox' };

/** In the demo everybody may look into it, signed in or not: everything there is made up. Elsewhere stewards may. */
const ANSWERS: Record<string, Answer> = {
  taken: {
    good: true,
    text: 'Taken: it waits as a draft under its post, for whoever that mail was sent to.',
  },
  ...Object.fromEntries(Object.entries(REFUSALS).map(([code, text]) => [code, { good: false, text }])),
};

export default async function MailboxPage(props: { searchParams: Promise<{ answer?: string }> }) {
  const { config } = app();
  const who = config.demo ? await visitor() : (await requireSteward(mailboxAt())).who;
  const { answer } = await queryOf(props.searchParams);
  const found = await mailbox(resolve(config.mailboxFolder));
  const page = (
    <Mailbox
      mailbox={found}
      zone={who?.actor.timeZone ?? config.zone}
      smtp={config.smtp !== null}
      answers={config.demo}
      answer={ANSWERS[answer ?? ''] ?? null}
    />
  );
  if (who)
    return (
      <Frame visitor={who} here={mailboxAt()} place="stewards">
        {page}
      </Frame>
    );
  return config.demo ? page : notFound();
}
