import Link from 'next/link';
import { forgottenAt } from '@/contract/addresses';
import { lookAtReset } from '@/server/people/reset';
import { DoorPage, Trouble } from '@/ui/people/fields';
import { KeyGate } from '@/ui/people/key-gate';
import { NewPasswordForm } from '@/ui/people/password-forms';
import { peopleTrouble } from '@/ui/words/people';
import { Door } from '../_request/door';
import { handedKey, strangerDeps } from '../_request/session';
import { choosePassword } from './actions';

export const metadata = { title: 'A new password' };

export default async function PasswordPage() {
  const key = await handedKey('password');
  const looked = key === null ? null : await lookAtReset(await strangerDeps(), key);
  return (
    <Door>
      <DoorPage
        title="A new password"
        lead={
          looked?.ok
            ? `For ${looked.value.email}. Wherever you are signed in now, you will be signed out.`
            : 'Open this page with the link in the mail that came to you.'
        }
      >
        {looked?.ok ? (
          <NewPasswordForm action={choosePassword} email={looked.value.email} />
        ) : (
          <>
            <Trouble text={looked ? peopleTrouble(looked.failure.code) : null} />
            <KeyGate purpose="password" what="Key of the mail" />
            <p>
              <Link className="link" href={forgottenAt()}>
                Ask for another mail
              </Link>
            </p>
          </>
        )}
      </DoorPage>
    </Door>
  );
}
