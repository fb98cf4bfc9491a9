import Link from 'next/link';
import { notFound } from 'next/navigation';
import { signInAt } from '@/contract/addresses';
import { mayComeAlone } from '@/server/people/alone';
import { DoorPage } from '@/ui/people/fields';
import { AskByMailForm } from '@/ui/people/password-forms';
import { Door } from '../../_request/door';
import { DemoMail } from '../../_request/help-line';
import { queryOf } from '../../_request/query';
import { strangerDeps } from '../../_request/session';
import { askForAccount } from './actions';

export const metadata = { title: 'An account for yourself' };

type Props = { searchParams: Promise<{ asked?: string }> };

export default async function NewAccountPage({ searchParams }: Props) {
  if (!(await mayComeAlone(await strangerDeps()))) notFound();
  const { asked } = await queryOf(searchParams);
  return (
    <Door>
      <DoorPage
        title="An account for yourself"
        lead="For prompts of courses that live elsewhere: bring one in, see what it asks and by when, write, and take the finished text out. Nobody else sees it."
      >
        {asked ? (
          <p role="status" className="rounded-control bg-pine-tint px-3 py-2 font-medium">
            A mail with a link is on its way to that address. It works once, for seven days.
          </p>
        ) : null}
        <AskByMailForm action={askForAccount} button="Send me a link" />
        <DemoMail />
        <p>
          <Link className="link" href={signInAt()}>
            To signing in
          </Link>
        </p>
      </DoorPage>
    </Door>
  );
}
