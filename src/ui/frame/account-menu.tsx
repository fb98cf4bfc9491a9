'use client';

import { accountAt, demoClockAt, signInAt, signOutAt, themeAt } from '@/contract/addresses';
import { useState } from 'react';
import {
  FaceButton,
  FaceSummary,
  item,
  linksOf,
  STEPS,
  THEMES,
  waysToHelp,
  type Account,
} from './account-menu-parts';
import type { OpenMenu } from './account-menu-open';

/** The same writes as plain forms, for a browser that runs no scripts. */
function PlainMenu(props: Account) {
  const form = (action: string, field: string, value: string, label: string, here = props.here) => (
    <form key={`${field}${value}`} action={action} method="post">
      <input type="hidden" name="to" value={here} />
      <button type="submit" name={field} value={value} className={`${item} hover:bg-page-2`}>
        {label}
      </button>
    </form>
  );
  return (
    <details className="relative">
      <FaceSummary {...props} />
      <div className="absolute right-0 z-50 mt-1.5 w-60 rounded-plate border border-rule bg-page p-1.5 text-ink">
        <p className="px-3 py-2">
          <b className="block">{props.name}</b>
          <span className="text-[12.5px] text-ink-3">{props.email}</span>
        </p>
        {linksOf(props).map(({ href, label }) => (
          <a key={href} href={href} className={`${item} hover:bg-page-2`}>
            {label}
          </a>
        ))}
        {waysToHelp(props.help).map(({ href, label }) => (
          <a key={href} href={href} className={`${item} hover:bg-page-2`}>
            Help: {label}
          </a>
        ))}
        {THEMES.map(([value, label]) => form(themeAt(), 'theme', value, `Paper: ${label}`))}
        {props.demo
          ? STEPS.map(([value, label]) => form(demoClockAt(), 'by', value, `Clock: ${label}`))
          : null}
        {form(signOutAt(), 'out', '1', 'Sign out', signInAt())}
      </div>
    </details>
  );
}

/** The opened menu is fetched when it is first opened: no page need carry it. */
const fetched = () => import('./account-menu-open').then((m) => m.OpenMenu);

function ScriptedMenu(props: Account) {
  const [open, setOpen] = useState<{ Menu: typeof OpenMenu; byKey: boolean } | null>(null);
  if (open) return <open.Menu {...props} byKey={open.byKey} />;
  return (
    <FaceButton
      account={props}
      aria-expanded={false}
      onPointerEnter={() => void fetched().catch(() => undefined)}
      onClick={(e) => {
        // A press of a key is a click of no pointer.
        const byKey = e.detail === 0;
        fetched().then(
          (Menu) => setOpen({ Menu, byKey }),
          // Nothing was fetched: most of what it holds stands on one's own page.
          () => window.location.assign(accountAt()),
        );
      }}
    />
  );
}

export function AccountMenu(props: Account) {
  return (
    <>
      <noscript>
        <PlainMenu {...props} />
      </noscript>
      <ScriptedMenu {...props} />
    </>
  );
}
