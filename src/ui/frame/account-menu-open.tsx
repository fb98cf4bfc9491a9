'use client';

import { demoClockAt, signInAt, signOutAt, themeAt } from '@/contract/addresses';
import { Check, Clock, LogOut } from 'lucide-react';
import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { useEffect, useRef } from 'react';
import { FaceButton, item, linksOf, STEPS, THEMES, waysToHelp, type Account } from './account-menu-parts';
import { moveAtOnce } from './move-at-once';

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

/** The menu of one's account, open from the beginning: whoever pressed for it by a key stands on its first entry. */
export function OpenMenu({ byKey, ...props }: Account & { byKey: boolean }) {
  const first = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    if (byKey) first.current?.focus();
  }, [byKey]);
  return (
    <DropdownMenu.Root modal={false} defaultOpen>
      <DropdownMenu.Trigger asChild>
        <FaceButton account={props} />
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
        {linksOf(props).map(({ href, label, Icon }, i) => (
          <DropdownMenu.Item key={href} asChild>
            <Link ref={i === 0 ? first : undefined} href={href} className={item}>
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
