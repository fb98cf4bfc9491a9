import { aloneAt, enterAt, forgottenAt, signOnAt } from '@/contract/addresses';
import Link from 'next/link';
import { Avatar } from './avatar';
import { PasskeyEntry } from '../account/passkey-entry';

const ROLES: Record<string, string> = {
  student: 'Student',
  instructor: 'Instructor',
  assistant: 'Assistant',
  observer: 'Observer',
  steward: 'Steward: people, courses and the installation',
};

type Offered = { id: string; name: string; role: string; courses: string };

/** Signing in, as plain forms: it works before any script has run. */
export function SignInForm({
  to,
  problem,
  done,
  people,
  alone,
  signOn,
}: {
  to: string;
  problem: string | null;
  /** What was done before one came here. */
  done: string | null;
  people: Offered[];
  /** Anybody may make an account for themselves. */
  alone: boolean;
  /** The college's own sign-on, as it is called. */
  signOn: string | null;
}) {
  return (
    <div className="grid items-start gap-6 md:grid-cols-[1fr_340px]">
      {people.length > 0 ? (
        <section aria-labelledby="demo" className="plate overflow-hidden">
          <div className="border-b border-rule-soft px-5 py-3">
            <h2 id="demo" className="text-[18px]">
              Tidewell Open College, the demo
            </h2>
            <p className="text-ink-2">
              Enter as one of these people. Everybody and everything here is invented.
            </p>
          </div>
          <ul>
            {people.map((p, i) => (
              <li key={p.id} className={i > 0 ? 'border-t border-rule-soft' : ''}>
                <form action={enterAt()} method="post" className="flex items-center gap-3 px-5 py-3">
                  <input type="hidden" name="to" value={to} />
                  <input type="hidden" name="person" value={p.id} />
                  <Avatar name={p.name} mine={i === 0} />
                  <span className="min-w-0 flex-1">
                    <b className="block">{p.name}</b>
                    <span className="block text-[12.5px] text-ink-3">
                      {[ROLES[p.role] ?? p.role, p.courses].filter(Boolean).join(' · ')}
                    </span>
                  </span>
                  <button
                    className={`btn ${i === 0 ? 'go' : ''}`}
                    type="submit"
                    aria-label={`Enter as ${p.name}`}
                  >
                    Enter
                  </button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section aria-labelledby="sign-in" className="plate px-5 py-4">
        <h2 id="sign-in" className="text-[18px]">
          Sign in
        </h2>
        {done ? (
          <p role="status" className="mt-2 rounded-control bg-pine-tint px-3 py-2 font-medium">
            {done}
          </p>
        ) : null}
        {problem ? (
          <p role="alert" className="mt-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
            {problem}
          </p>
        ) : null}
        {signOn ? (
          <p className="mt-3">
            <a className="btn w-full justify-center" href={signOnAt({ to })}>
              Sign in with {signOn}
            </a>
          </p>
        ) : null}
        <PasskeyEntry to={to} />
        <form action={enterAt()} method="post" className="mt-3 grid gap-3">
          <input type="hidden" name="to" value={to} />
          <label className="grid gap-1 font-semibold">
            Mail address
            <input className="field font-normal" type="email" name="email" autoComplete="username" required />
          </label>
          <label className="grid gap-1 font-semibold">
            Password
            <input
              className="field font-normal"
              type="password"
              name="password"
              autoComplete="current-password"
              required
            />
          </label>
          <button className={`btn ${people.length ? '' : 'go'}`} type="submit">
            Sign in
          </button>
          <Link className="link justify-self-start text-[13px]" href={forgottenAt()}>
            Forgotten your password?
          </Link>
          {alone ? (
            <Link className="link justify-self-start text-[13px]" href={aloneAt()}>
              An account for yourself
            </Link>
          ) : null}
        </form>
      </section>
    </div>
  );
}
