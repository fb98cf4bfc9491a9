import Link from 'next/link';
import { redirect } from 'next/navigation';
import { signInAt, takeSecondStepAt } from '@/contract/addresses';
import { DoorPage, TextField, Trouble } from '@/ui/people/fields';
import { peopleTrouble } from '@/ui/words/people';
import { Door } from '../../_request/door';
import { queryOf } from '../../_request/query';
import { handedKey } from '../../_request/session';
import { localPath } from '../../_request/write';

export const metadata = { title: 'Second factor' };

type Props = { searchParams: Promise<{ to?: string; problem?: string }> };

export default async function SecondStep({ searchParams }: Props) {
  const { to = '/', problem } = await queryOf(searchParams);
  if ((await handedKey('second')) === null) redirect(signInAt({ to: localPath(to) }));
  return (
    <Door>
      <DoorPage
        title="One more step"
        lead="Your password is right. Your account asks for a second factor beside it."
      >
        <form action={takeSecondStepAt()} method="post" className="grid gap-3">
          <Trouble text={problem ? peopleTrouble(problem) : null} />
          <input type="hidden" name="to" value={localPath(to)} />
          <TextField
            label="Code of your authenticator"
            name="code"
            autoComplete="one-time-code"
            required
            maxLength={60}
            spellCheck={false}
            autoFocus
            hint="Six digits. Where you do not have it at hand, one of your recovery codes does as well: each works once."
          />
          <button type="submit" className="btn go justify-self-start">
            Go on
          </button>
        </form>
        <p>
          <Link className="link text-[13px]" href={signInAt({ to: localPath(to) })}>
            Back to signing in
          </Link>
        </p>
      </DoorPage>
    </Door>
  );
}
