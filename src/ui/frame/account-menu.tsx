'use client';

import {
  accountAt,
  demoClockAt,
  mailboxAt,
  signInAt,
  signOutAt,
  stewardsAt,
  themeAt,
} from '@/contract/addresses';
import type { HelpFound } from '@/contract/account';
import { Check, Clock, LifeBuoy, LogOut, Mail, Phone, UserRound, UsersRound } from 'lucide-react';
import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { initials } from '../words/plural';
import { moveAtOnce } from './move-at-once';

const item =
  'flex w-full min-h-9 items-center gap-2 rounded-[6px] px-3 py-1.5 text-left text-[13.5px] font-medium outline-none data-[highlighted]:bg-page-2 data-[highlighted]:ring-2 data-[highlighted]:ring-sky';

const THEMES = [
  ['system', 'As the device'],
  ['light', 'Light'],
  ['dark', 'Dark'],
] as const;

const STEPS = [
  ['3600000', '1 hour on'],
  ['21600000', '6 hours on'],
  ['86400000', '1 day on'],
  ['259200000', '3 days on'],
  ['-86400000', '1 day back'],
] as const;

/** Posts a small form: the menu's items are plain writes that answer with the page one was on. */
function FormItem(props: {
  action: string;
  field: string;
  value: string;
  here: string;
  children: React.ReactNode;
}) {
  return (
    <form action={props.action} method="post">
      <input type="hidden" name="to" value={props.here} />
      <DropdownMenu.Item asChild onSelect={(e) => e.preventDefault()}>
        <button type="submit" name={props.field} value={props.value} className={item}>
          {props.children}
        </button>
      </DropdownMenu.Item>
    </form>
  );
}

export function AccountMenu(props: {
  name: string;
  email: string;
  theme: string;
  demo: boolean;
  /** Looks after the installation. */
  steward: boolean;
  /** Where one's picture is seen. */
  picture: string | null;
  help: HelpFound | null;
  here: string;
}) {
  return (
    <>
      <noscript>
        <PlainMenu {...props} />
      </noscript>
      <ScriptedMenu {...props} />
    </>
  );
}

type Account = Parameters<typeof AccountMenu>[0];

/** Pages of one's own, and of the installation for who looks after it. */
const linksOf = ({ demo, steward }: { demo: boolean; steward: boolean }) => [
  { href: accountAt(), label: 'Your account', Icon: UserRound },
  ...(steward ? [{ href: stewardsAt(), label: 'People and courses', Icon: UsersRound }] : []),
  ...(demo || steward ? [{ href: mailboxAt(), label: 'The mailbox', Icon: Mail }] : []),
];

/** One's own face in the bar. */
const Face = ({ name, picture }: Account) =>
  picture ? (
    // eslint-disable-next-line @next/next/no-img-element
    <img src={picture} alt="" width={36} height={36} className="size-9 rounded-full object-cover" />
  ) : (
    initials(name)
  );

/** Where help is found, as links. */
const waysToHelp = (help: HelpFound | null) => [
  ...(help?.telephone
    ? [{ href: `tel:${help.telephone.replace(/[^+\d]/gu, '')}`, label: help.telephone, Icon: Phone }]
    : []),
  ...(help?.mail ? [{ href: `mailto:${help.mail}`, label: help.mail, Icon: LifeBuoy }] : []),
];

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
      <summary
        aria-label={`Account of ${props.name}`}
        className="grid size-9 cursor-pointer list-none place-items-center rounded-full bg-[#e9c873] text-[12.5px] font-bold text-[#473103]"
      >
        <Face {...props} />
      </summary>
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

function ScriptedMenu(props: Account) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <button
          type="button"
          aria-label={`Account of ${props.name}`}
          className="hidden size-9 place-items-center rounded-full bg-[#e9c873] text-[12.5px] font-bold text-[#473103] scripted:grid"
        >
          <Face {...props} />
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        onKeyDownCapture={moveAtOnce('down')}
        align="end"
        sideOffset={6}
        className="z-50 max-h-[calc(100dvh-64px)] w-60 overflow-auto rounded-plate border border-rule bg-page p-1.5 text-ink"
      >
        <DropdownMenu.Label className="px-3 py-2">
          <b className="block">{props.name}</b>
          <span className="text-[12.5px] text-ink-3">{props.email}</span>
        </DropdownMenu.Label>
        <DropdownMenu.Separator className="my-1 h-px bg-rule-soft" />
        {linksOf(props).map(({ href, label, Icon }) => (
          <DropdownMenu.Item key={href} asChild>
            <Link href={href} className={item}>
              <Icon size={15} aria-hidden /> {label}
            </Link>
          </DropdownMenu.Item>
        ))}
        <DropdownMenu.Separator className="my-1 h-px bg-rule-soft" />
        <DropdownMenu.Label className="px-3 pt-1 text-[12px] font-semibold text-ink-3">
          Paper
        </DropdownMenu.Label>
        {THEMES.map(([value, label]) => (
          <FormItem key={value} action={themeAt()} field="theme" value={value} here={props.here}>
            <span className="w-4">
              {props.theme === value ? <Check size={15} aria-label="chosen" /> : null}
            </span>
            {label}
          </FormItem>
        ))}
        {props.demo ? (
          <>
            <DropdownMenu.Separator className="my-1 h-px bg-rule-soft" />
            <DropdownMenu.Label className="flex items-center gap-1.5 px-3 pt-1 text-[12px] font-semibold text-ink-3">
              <Clock size={13} aria-hidden /> The demo’s clock
            </DropdownMenu.Label>
            {STEPS.map(([value, label]) => (
              <FormItem key={value} action={demoClockAt()} field="by" value={value} here={props.here}>
                <span className="w-4" />
                {label}
              </FormItem>
            ))}
          </>
        ) : null}
        {waysToHelp(props.help).length ? (
          <>
            <DropdownMenu.Separator className="my-1 h-px bg-rule-soft" />
            <DropdownMenu.Label className="px-3 pt-1 text-[12px] font-semibold text-ink-3">
              Help from {props.help?.college}
              {props.help?.hours ? <span className="block font-normal">{props.help.hours}</span> : null}
            </DropdownMenu.Label>
            {waysToHelp(props.help).map(({ href, label, Icon }) => (
              <DropdownMenu.Item key={href} asChild>
                <a href={href} className={item}>
                  <Icon size={15} aria-hidden /> <span className="min-w-0 break-words">{label}</span>
                </a>
              </DropdownMenu.Item>
            ))}
          </>
        ) : null}
        <DropdownMenu.Separator className="my-1 h-px bg-rule-soft" />
        <FormItem action={signOutAt()} field="out" value="1" here={signInAt()}>
          <LogOut size={15} aria-hidden /> Sign out
        </FormItem>
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
