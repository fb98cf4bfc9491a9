import 'server-only';
import Link from 'next/link';
import { theCollege } from '@/server/stewards/college';
import { Help } from '@/ui/people/help';
import { mailboxAt } from '@/contract/addresses';
import { app } from '@/runtime/app';

/** Where help is found, as the stewards say it; nothing where they have said nothing, or nobody can be asked. */
export async function HelpLine() {
  const college = await theCollege(app()).catch(() => null);
  return college ? <Help help={{ college: college.name, ...college.help }} /> : null;
}

/** Where mail lies in the demo. */
export const DemoMail = () =>
  app().config.demo ? (
    <p className="text-[13px] text-ink-2">
      In the demo no mail leaves this machine: it lies in{' '}
      <Link className="link" href={mailboxAt()}>
        the mailbox
      </Link>
      .
    </p>
  ) : null;
