'use client';

import { listenHere, listenNoMore } from '@/contract/notices';
import { useEffect, useState } from 'react';
import { call } from '../request/call';
import { plural } from '../words/plural';

type State = 'looking' | 'cannot' | 'off' | 'on' | 'working' | 'refused' | 'failed';

const SAYS: Record<State, string> = {
  looking: 'On this device too, when Pulpit is closed',
  cannot:
    'This browser takes no notices while Pulpit is closed. On a phone, add Pulpit to the home screen first.',
  off: 'On this device too, when Pulpit is closed',
  on: 'This device hears of them too, when Pulpit is closed',
  working: 'One moment…',
  refused: 'This browser was told not to show notices of Pulpit: allow them in its settings of this site.',
  failed: 'It could not be switched: nobody answered. Try it once more.',
};

const bytesOf = (key: string) => {
  const text = atob(key.replace(/-/gu, '+').replace(/_/gu, '/'));
  return Uint8Array.from(text, (c) => c.charCodeAt(0));
};

const registration = async () => {
  if (!('serviceWorker' in navigator && 'PushManager' in window)) return undefined;
  await navigator.serviceWorker.register('/without-network.js');
  return navigator.serviceWorker.ready;
};

/** Has notices sent to this device too (Push API); a device listens as long as one is signed in on it. */
export function ThisDevice({ pushKey, devices }: { pushKey: string; devices: readonly string[] }) {
  const [state, setState] = useState<State>('looking');
  useEffect(() => {
    void registration().then(async (r) => {
      const subscribed = await r?.pushManager.getSubscription();
      // A browser may still hold what somebody else, or an earlier session, listened by.
      setState(r ? (devices.includes(subscribed?.endpoint ?? '') ? 'on' : 'off') : 'cannot');
    });
  }, [devices]);

  const switchOn = async () => {
    setState('working');
    if ((await Notification.requestPermission()) !== 'granted') return setState('refused');
    try {
      const r = await registration();
      // One that was made by other keys would be refused.
      await (await r?.pushManager.getSubscription())?.unsubscribe();
      const subscription = await r?.pushManager.subscribe({
        userVisibleOnly: true,
        applicationServerKey: bytesOf(pushKey),
      });
      const { endpoint, keys } = subscription?.toJSON() ?? {};
      const answer = await call(
        listenHere,
        {},
        {
          endpoint: endpoint ?? '',
          keys: { p256dh: keys?.p256dh ?? '', auth: keys?.auth ?? '' },
        },
      );
      setState(answer.ok ? 'on' : 'failed');
    } catch {
      setState('failed');
    }
  };
  const switchOff = async () => {
    setState('working');
    const subscription = await (await registration())?.pushManager.getSubscription();
    if (subscription) {
      await call(listenNoMore, {}, { endpoint: subscription.endpoint });
      await subscription.unsubscribe();
    }
    setState('off');
  };
  const other = devices.length - (state === 'on' && devices.length ? 1 : 0);
  return (
    <div className="hidden items-center justify-between gap-3 border-t border-rule pt-2.5 scripted:flex">
      <span role="status">
        {SAYS[state]}
        {other > 0 ? <span className="text-ink-3"> · {plural(other, 'other device')}</span> : null}
      </span>
      {state === 'off' || state === 'failed' ? (
        <button type="button" className="btn shrink-0" onClick={() => void switchOn()}>
          Switch on
        </button>
      ) : null}
      {state === 'on' ? (
        <button type="button" className="btn shrink-0" onClick={() => void switchOff()}>
          Switch off
        </button>
      ) : null}
    </div>
  );
}
