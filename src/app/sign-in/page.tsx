import { ownSignInAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { redirect } from 'next/navigation';
import { app } from '@/runtime/app';
import { mayComeAlone } from '@/server/people/alone';
import { isOffered } from '@/server/sign-on/enter';
import { offeredPeople } from '@/server/sessions/offered';
import { Brand } from '@/ui/frame/brand';
import { SignInForm } from '@/ui/frame/sign-in-form';
import { CollegeMark } from '../_request/college-mark';
import { HelpLine } from '../_request/help-line';
import { queryOf } from '../_request/query';
import { strangerDeps, visitor } from '../_request/session';
import { localPath } from '../_request/write';

export const metadata = { title: 'Sign in' };

const PROBLEMS: Record<string, string> = {
  'wrong-credentials': 'That address and password do not belong together. Nothing was changed; try again.',
  'too-many-tries':
    'Too many tries from here. Wait a quarter of an hour, then try again; on a device you have signed in with before you can go on at once.',
  over: 'That took too long, or was done in another window. Begin again.',
  'no-sign-on': 'There is no sign-on of the college here. Sign in another way.',
  'sign-on-silent':
    'The college’s sign-on does not answer just now. Nothing was changed; try again in a moment, or sign in another way.',
  'refused-there': 'The college’s sign-on did not say who you are. Nothing was changed; try again.',
  'no-address':
    'The college’s sign-on gave no mail address that it answers for, so nobody here is known by it. Ask your college.',
  'linked-otherwise':
    'The account under this address belongs to another sign-on. Nothing was changed; ask a steward of your college.',
  'not-invited':
    'The college knows you, but nobody has invited you here yet. Ask whoever teaches your course, or a steward.',
  ended: 'This account was ended. Ask a steward of your college.',
  'not-mine':
    'This Pulpit is for one person on one machine. Open it there, under the address that ./pulpit start --mine prints.',
  'not-offered': 'One-click sign-in is only for the people of the demo.',
};

const DONE: Record<string, string> = {
  accepted: 'Accepted: you are in. Sign in as ever.',
  password: 'Your password is changed. Sign in with it.',
  ended: 'Your account is ended, and you are signed out everywhere.',
};

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string>>;
}) {
  const { to = '/', problem, done } = await queryOf(searchParams);
  if (await visitor()) redirect(localPath(to));
  const { config } = app();
  if (config.mine && !problem) redirect(ownSignInAt({ to: localPath(to) }));
  const people = config.demo ? await offeredPeople(await strangerDeps()) : [];
  return (
    <main id="main" className="mx-auto grid max-w-[880px] gap-6 px-4 py-10 sm:px-7">
      <header>
        <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <h1>
            <Brand className="text-[28px] text-pine-ink" />
          </h1>
          <CollegeMark />
        </div>
        <p className="mt-2 max-w-[60ch] text-[16px] text-ink-2">
          Each week’s discussion in every course: what you owe, by when, what counted and why.
        </p>
      </header>
      <SignInForm
        signOn={(await isOffered(app().db, app().signOn)) ? (app().signOn?.name ?? null) : null}
        to={localPath(to)}
        problem={own(PROBLEMS, problem) ?? null}
        done={own(DONE, done) ?? null}
        people={people}
        alone={await mayComeAlone(app())}
      />
      <HelpLine />
    </main>
  );
}
