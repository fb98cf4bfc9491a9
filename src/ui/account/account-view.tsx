import type { ReactNode } from 'react';
import { archiveAt, bringArchiveAt, devicesAt, leaveAt } from '@/contract/addresses';
import type { AccountPage } from '@/contract/account';
import { AnswerLine, type Answer } from '../frame/answer';
import type { TellingAction } from '../people/told';
import { asRole } from '../words/people';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { AddressForm, EndForm, JoinForm, PasswordForm, SelfForm } from './account-forms';
import { Passkeys } from './passkeys';
import { WaysIn } from './ways-in';
import { PictureForm } from './picture-form';
import { SecondPart } from './second-factor';
import type { CodesAction } from './told-codes';

function Part(props: { id: string; title: string; children: ReactNode }) {
  return (
    <section aria-labelledby={props.id} className="plate grid content-start gap-3 px-5 py-4">
      <h2 id={props.id} className="text-[18px]">
        {props.title}
      </h2>
      {props.children}
    </section>
  );
}

/** The own account: who one is here, how one signs in, where one is signed in, and the courses one is in. */
export function AccountView(props: {
  account: AccountPage;
  zones: readonly string[];
  answer: Answer | null;
  actions: Record<
    'self' | 'password' | 'address' | 'end' | 'join' | 'beginSecond' | 'endSecond',
    TellingAction
  > & { renewCodes: CodesAction };
}) {
  const { account, actions } = props;
  const elsewhere = account.devices.filter((d) => !d.here).length;
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-5 px-4 py-6 sm:px-7">
      <h1 className="text-[25px] leading-tight">Your account</h1>
      <AnswerLine answer={props.answer} />
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <div className="grid gap-5">
          <Part id="self" title="You">
            <PictureForm name={account.name} picture={account.picture} />
            <SelfForm action={actions.self} self={account} zones={props.zones} />
          </Part>
          <Part id="courses" title="Your courses">
            {account.courses.length ? (
              <ul className="grid gap-2">
                {account.courses.map((c) => (
                  <li key={c.id} className="flex flex-wrap items-center gap-x-3 gap-y-1">
                    <span className="min-w-0 grow">
                      <b>{c.code}</b> {c.title}
                      <span className="block text-[12.5px] text-ink-2">
                        {asRole(c.role)} · {c.posts ? `${plural(c.posts, 'post')} shared` : 'nothing shared'}
                      </span>
                    </span>
                    <a className="btn" href={leaveAt({ course: c.id })} aria-label={`Leave ${c.code}…`}>
                      Leave…
                    </a>
                  </li>
                ))}
              </ul>
            ) : (
              <p className="text-ink-2">You are in no course yet.</p>
            )}
            {account.asked.map((c) => (
              <p key={c.code} className="text-[13.5px] text-ink-2">
                You have asked to be let into {c.code} {c.title}.
              </p>
            ))}
            <JoinForm action={actions.join} />
          </Part>
          <Part id="archive" title="Everything of yours">
            <p className="text-[13.5px] text-ink-2">
              What you shared with every version and its receipts, drafts, notes, sources, marks and files, in
              one archive with a page that reads by itself.
            </p>
            <p>
              <a className="btn" href={archiveAt()} download="">
                Save it all
              </a>
            </p>
            <form
              action={bringArchiveAt()}
              method="post"
              encType="multipart/form-data"
              className="mt-3 grid gap-2 border-t border-rule-soft pt-3"
            >
              <p className="text-[13.5px] text-ink-2">
                An archive of another Pulpit, or of this one, brings in again what you wrote: your courses
                that are held elsewhere, whole; and of courses that a college held for you, your own posts,
                drafts, notes and sources under their prompts, without what classmates wrote. Pictures and
                files come along. It stands with the courses you brought in, for you alone; what is here
                already stays as it is.
              </p>
              <label className="grid gap-1 text-[13.5px] font-semibold">
                An archive (.zip)
                <input
                  className="field font-normal"
                  type="file"
                  name="file"
                  accept=".zip,application/zip"
                  required
                />
              </label>
              <p>
                <button className="btn">Bring my courses in</button>
              </p>
            </form>
          </Part>
        </div>
        <div className="grid gap-5">
          {account.demo ? (
            <Part id="demo" title="Signing in">
              <p className="text-ink-2">
                Everybody may enter the demo as {account.name}, so the password, the mail address and the
                account stay as they are. In an installation of your own they are changed here.
              </p>
              <WaysIn account={account} />
            </Part>
          ) : (
            <>
              <Part id="password" title="Password">
                {account.signOn ? (
                  <p className="text-[13.5px] text-ink-2">
                    The college’s sign-on lets you in{account.hasPassword ? ' as well' : ''}.
                  </p>
                ) : null}
                <PasswordForm action={actions.password} hasPassword={account.hasPassword} />
              </Part>
              <Part id="passkeys" title="Passkeys">
                <Passkeys account={account} />
              </Part>
              <Part id="second" title="Second factor">
                <SecondPart account={account} actions={actions} />
              </Part>
              <Part id="address" title="Mail address">
                <AddressForm
                  action={actions.address}
                  email={account.email}
                  hasPassword={account.hasPassword}
                />
              </Part>
            </>
          )}
          <Part id="devices" title="Where you are signed in">
            <ul className="grid gap-2">
              {account.devices.map((d) => (
                <li key={d.id} className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  <span className="min-w-0 grow">
                    <b>{d.browser}</b>
                    {d.here ? ' · here' : ''}
                    <span className="block text-[12.5px] text-ink-2">
                      since {moment(d.started, account.timeZone)}
                      {d.here ? '' : ` · last used ${moment(d.seen, account.timeZone)}`}
                    </span>
                  </span>
                  {d.here ? null : (
                    <form action={devicesAt()} method="post">
                      <button
                        type="submit"
                        name="device"
                        value={d.id}
                        className="btn"
                        aria-label={`Sign out there: ${d.browser}`}
                      >
                        Sign out there
                      </button>
                    </form>
                  )}
                </li>
              ))}
            </ul>
            {elsewhere ? (
              <form action={devicesAt()} method="post">
                <button type="submit" name="device" value="elsewhere" className="btn">
                  Sign out everywhere else
                </button>
              </form>
            ) : null}
          </Part>
          {account.demo ? null : (
            <Part id="end" title="End the account">
              <EndForm
                action={actions.end}
                hasPassword={account.hasPassword}
                withdrawn={account.courses.filter((c) => c.leavers === 'withdraw').map((c) => c.code)}
              />
            </Part>
          )}
        </div>
      </div>
    </main>
  );
}
