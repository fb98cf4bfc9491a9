import { resolve } from 'node:path';
import { notFound } from 'next/navigation';
import { mailboxAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { mailbox } from '@/server/mail/mailbox';
import { Mailbox } from '@/ui/stewards/mailbox';
import { Frame } from '../_request/frame';
import { visitor } from '../_request/session';
import { requireSteward } from '../_request/stewards';

export const metadata = { title: 'Mailbox' };

/** In the demo everybody may look into it, signed in or not: everything there is made up. Elsewhere stewards may. */
export default async function MailboxPage() {
  const { config } = app();
  const who = config.demo ? await visitor() : (await requireSteward(mailboxAt())).who;
  const found = await mailbox(resolve(config.mailboxFolder));
  const page = (
    <Mailbox mailbox={found} zone={who?.actor.timeZone ?? config.zone} smtp={config.smtp !== null} />
  );
  if (who)
    return (
      <Frame visitor={who} here={mailboxAt()} place="stewards">
        {page}
      </Frame>
    );
  return config.demo ? page : notFound();
}
