'use client';

import { moderating } from '@/contract/conversation';
import { call } from '../request/call';
import { MoreHorizontal } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { Popover } from 'radix-ui';
import { useId, useState, type FormEvent } from 'react';
import { REASON_LENGTH, wantsReason, type ModerationAct } from '@/core/posts/moderation';
import { MODERATION_NAMES, moderationTrouble } from '../words/conversation-bar';

type Act = Exclude<ModerationAct, 'answer' | 'accept'>;

const ASKS: Partial<Record<Act, { label: string; note: string; send: string }>> = {
  report: {
    label: 'What is wrong with it?',
    note: 'Only the staff of the course read this, with your name.',
    send: 'Report it',
  },
  hide: {
    label: 'Why is it hidden?',
    note: 'Its author and the staff read this. The replies stay.',
    send: 'Hide it',
  },
};

/** What one may do about a post: report it, or, as staff, pin, lock, hide or show it. */
export function ModerationMenu(props: { slug: string; post: number; author: string; acts: readonly Act[] }) {
  const { slug, post, author } = props;
  const router = useRouter();
  const field = useId();
  const [open, setOpen] = useState(false);
  const [asking, setAsking] = useState<Act | null>(null);
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState(false);
  if (props.acts.length === 0) return null;

  const send = async (act: Act) => {
    setTrouble(null);
    const said = await call(moderating, { slug, post }, { act, reason });
    if (!said.ok) {
      setTrouble(moderationTrouble(said.code));
      return;
    }
    setReason('');
    setAsking(null);
    if (act === 'report') setDone(true);
    else {
      setOpen(false);
      router.refresh();
    }
  };
  const choose = (act: Act) => (wantsReason(act) ? setAsking(act) : void send(act));
  const onSubmit = (e: FormEvent) => {
    e.preventDefault();
    if (asking) void send(asking);
  };
  const ask = asking && ASKS[asking];
  return (
    <Popover.Root
      open={open}
      onOpenChange={(stays) => {
        setOpen(stays);
        // What was written as a reason stays until it is sent.
        if (!stays) setDone(false);
      }}
    >
      <Popover.Trigger
        aria-label={`More about post ${post} by ${author}`}
        className="inline-flex size-7 items-center justify-center rounded-[5px] text-ink-2 hover:bg-rule-soft"
      >
        <MoreHorizontal size={16} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label={`Post ${post} by ${author}`}
          className="z-50 w-[min(92vw,300px)] rounded-plate border border-rule bg-page p-2.5 text-[13.5px]"
        >
          {done ? (
            <p role="status" className="px-1.5 py-1">
              Reported. The staff of the course will look at it.
            </p>
          ) : ask ? (
            <form onSubmit={onSubmit} className="grid gap-2">
              <label htmlFor={field} className="font-semibold">
                {ask.label}
              </label>
              <textarea
                id={field}
                rows={3}
                maxLength={REASON_LENGTH}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                className="field w-full"
              />
              <p className="text-[12.5px] text-ink-2">{ask.note}</p>
              <div className="flex gap-2">
                <button className="btn go">{ask.send}</button>
                <button type="button" className="btn" onClick={() => setAsking(null)}>
                  Back
                </button>
              </div>
            </form>
          ) : (
            <ul className="grid gap-0.5">
              {props.acts.map((act) => (
                <li key={act}>
                  <button
                    type="button"
                    onClick={() => choose(act)}
                    className="block min-h-8 w-full rounded-[5px] px-2 text-left hover:bg-page-2"
                  >
                    {MODERATION_NAMES[act]}
                  </button>
                </li>
              ))}
            </ul>
          )}
          {trouble ? (
            <p role="alert" className="mt-2 px-1.5 text-[12.5px] text-brick">
              {trouble}
            </p>
          ) : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
