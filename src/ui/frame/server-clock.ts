'use client';

import { clockAt } from '@/contract/addresses';
import { useCallback, useEffect, useSyncExternalStore } from 'react';

/**
 * The server's time in the browser. The server said what time it is; the browser's monotonic clock carries it on, so
 * that a wrong or changed clock of the computer does not matter. That clock stands still while a computer sleeps: so
 * after a sleep, a wake from the back-forward cache or a lost connection, the server is asked again.
 */
type Anchor = { server: number; monotonic: number; wall: number };

let anchor: Anchor | null = null;
let rendered = 0;
let askedAt = -Infinity;
let timer: ReturnType<typeof setInterval> | null = null;
const listeners = new Set<() => void>();

const TICK_MS = 1_000;
/** The computer's two clocks drift by this much only when one of them stood still or was set. */
const SLEPT_MS = 2_500;
const ASK_AGAIN_MS = 5_000;

/** The computer's own clock: never shown, only watched for having gone on while the other one stood still. */
const computerNow = () => new Date().getTime();

const setAnchor = (server: number) => {
  anchor = { server, monotonic: performance.now(), wall: computerNow() };
};

/** The server's time now, in milliseconds. */
export const serverNow = (): number =>
  anchor ? anchor.server + performance.now() - anchor.monotonic : rendered;

const tell = () => {
  for (const listener of listeners) listener();
};

/** How far the computer's two clocks have come apart since both were read. */
const apart = (since: { monotonic: number; wall: number }) =>
  Math.abs(computerNow() - since.wall - (performance.now() - since.monotonic));

/**
 * Asks the server for its time; half of the way there and back is taken for the way back. An answer that a sleep came
 * between is as old as the sleep was long, and is asked for again.
 */
export async function askServerTime(): Promise<number> {
  const began = { monotonic: performance.now(), wall: computerNow() };
  askedAt = began.monotonic;
  try {
    const answer = await fetch(clockAt(), { cache: 'no-store' });
    const { now } = (await answer.json()) as { now: number };
    if (apart(began) > SLEPT_MS) return await askServerTime();
    setAnchor(now + (performance.now() - began.monotonic) / 2);
    tell();
  } catch {
    // Without the server the time is carried on; the next tick after a sleep asks again.
  }
  return serverNow();
}

function tick() {
  if (anchor && apart(anchor) > SLEPT_MS && performance.now() - askedAt > ASK_AGAIN_MS) void askServerTime();
  tell();
}

const wake = () => {
  if (document.visibilityState === 'visible' && performance.now() - askedAt > ASK_AGAIN_MS)
    void askServerTime();
};
const WAKES = ['focus', 'online', 'pageshow'] as const;

function subscribe(listener: () => void) {
  listeners.add(listener);
  if (!timer) {
    timer = setInterval(tick, TICK_MS);
    document.addEventListener('visibilitychange', wake);
    for (const event of WAKES) window.addEventListener(event, wake);
  }
  return () => {
    listeners.delete(listener);
    if (listeners.size || !timer) return;
    clearInterval(timer);
    timer = null;
    document.removeEventListener('visibilitychange', wake);
    for (const event of WAKES) window.removeEventListener(event, wake);
  };
}

/**
 * The server's time, told anew every `stepMs`. `now` is what the page was rendered with: the first rendering says just
 * that, so that the browser's page is the server's page.
 */
export function useServerNow(now: number, stepMs = 10_000): number {
  useEffect(() => {
    if (now <= rendered) return;
    // A newer rendering than the last is the newest word of the server, but as old as its way here was long: it may set
    // the clock on, and never back.
    const known = anchor ? serverNow() : -Infinity;
    rendered = now;
    if (now > known) setAnchor(now);
    tell();
  }, [now]);
  const current = useCallback(() => {
    const at = Math.max(now, serverNow());
    return now + Math.floor((at - now) / stepMs) * stepMs;
  }, [now, stepMs]);
  return useSyncExternalStore(subscribe, current, () => now);
}
