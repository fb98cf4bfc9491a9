import Link from 'next/link';
import { signInAt } from '@/contract/addresses';
import { DoorPage } from '@/ui/people/fields';
import { AskByMailForm } from '@/ui/people/password-forms';
import { Door } from '../../_request/door';
import { DemoMail, HelpLine } from '../../_request/help-line';
import { queryOf } from '../../_request/query';
import { askForLink } from '../actions';

export const metadata = { title: 'Forgotten password' };

type Props = { searchParams: Promise<{ asked?: string }> };

export default async function ForgottenPage({ searchParams }: Props) {
  const { asked } = await queryOf(searchParams);
  return (
    <Door>
      <DoorPage
        title="Forgotten your password?"
        lead="Say under which address you sign in: a link to choose a new one comes by mail."
      >
        {asked ? (
          <p role="status" className="rounded-control bg-pine-tint px-3 py-2 font-medium">
            If there is an account under that address, a mail is on its way. Its link works once, for 30
            minutes. If none comes, look among unwanted mail, or try another address.
          </p>
        ) : null}
        <AskByMailForm action={askForLink} button="Send me a link" />
        <p>
          <Link className="link" href={signInAt()}>
            To signing in
          </Link>
        </p>
        <DemoMail />
        <HelpLine />
      </DoorPage>
    </Door>
  );
}
