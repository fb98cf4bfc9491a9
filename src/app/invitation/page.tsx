import Link from 'next/link';
import { signInAt } from '@/contract/addresses';
import { lookAtInvitation } from '@/server/people/accept';
import { AcceptForm } from '@/ui/people/accept-form';
import { DoorPage, Trouble } from '@/ui/people/fields';
import { KeyGate } from '@/ui/people/key-gate';
import { asRole, peopleTrouble } from '@/ui/words/people';
import { Door } from '../_request/door';
import { handedKey, strangerDeps } from '../_request/session';
import { accept } from './actions';

export const metadata = { title: 'Your invitation' };

export default async function InvitationPage() {
  const key = await handedKey('invitation');
  const looked = key === null ? null : await lookAtInvitation(await strangerDeps(), key);
  if (!looked?.ok)
    return (
      <Door>
        <DoorPage title="Your invitation" lead="Open it with the link in the mail that came to you.">
          <Trouble text={looked ? peopleTrouble(looked.failure.code) : null} />
          <KeyGate purpose="invitation" what="Key of the invitation" />
          <p>
            <Link className="link" href={signInAt()}>
              To signing in
            </Link>
          </p>
        </DoorPage>
      </Door>
    );
  const { college, by, places, name, email, account } = looked.value;
  return (
    <Door>
      <DoorPage
        title={`Welcome to ${college}`}
        lead={
          places.every((p) => p.role === 'alone')
            ? `An account for ${email}:`
            : `${by ?? college} invites ${email}:`
        }
      >
        <ul className="grid gap-1">
          {places.map((place) => (
            <li
              key={`${place.course?.code} ${place.role}`}
              className="rounded-control bg-pine-tint px-3 py-2"
            >
              {place.course ? (
                <>
                  <b>{place.course.code}</b> {place.course.title}, as {asRole(place.role ?? 'student')}
                </>
              ) : place.role === 'alone' ? (
                <>For yourself: prompts of courses that live elsewhere, which you bring in.</>
              ) : (
                <>{college}, as a steward: somebody who looks after its people and courses</>
              )}
            </li>
          ))}
        </ul>
        <AcceptForm action={accept} name={name} email={email} account={account} />
      </DoorPage>
    </Door>
  );
}
