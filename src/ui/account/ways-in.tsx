import type { AccountPage } from '@/contract/account';
import { plural } from '../words/plural';
import { moment } from '../words/time';

/** What somebody of the demo has set up, to be seen and left alone. */
export function WaysIn({ account: { passkeys, second, timeZone } }: { account: AccountPage }) {
  return (
    <dl className="grid gap-x-4 gap-y-2 sm:grid-cols-[auto_1fr]">
      <dt className="font-semibold">Passkeys</dt>
      <dd>
        {passkeys.length === 0
          ? 'none'
          : passkeys.map((k) => (
              <span key={k.id} className="block break-words">
                {k.name}
                <span className="text-[12.5px] text-ink-2">
                  {' '}
                  · made {moment(k.made, timeZone)}
                  {k.used === null ? '' : ` · last used ${moment(k.used, timeZone)}`}
                </span>
              </span>
            ))}
      </dd>
      <dt className="font-semibold">Second factor</dt>
      <dd>{second.on ? `on, ${plural(second.codesLeft, 'recovery code')} left` : 'off'}</dd>
    </dl>
  );
}
