import { useEffect } from 'react';

const FIXED = /^\/(?:_next\/static|dictionaries)\//;

/** Keeps pages on this machine, and what this one is made of; those that are kept and younger than `again` are not asked for anew. */
async function keepHere(addresses: readonly string[], again?: number) {
  if (!('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.register('/without-network.js');
  const { active } = await navigator.serviceWorker.ready;
  const parts = performance
    .getEntriesByType('resource')
    .map((e) => new URL(e.name))
    .filter((u) => u.origin === location.origin && FIXED.test(u.pathname))
    .map((u) => u.href);
  const pages = addresses.map((address) => new URL(address, location.href).href);
  active?.postMessage({ keep: [...pages, ...parts], again });
}

/** A browser that keeps no pages is no error: one writes on as before, and opens again with a network. */
const quietly = (work: Promise<unknown>) => void work.catch(() => undefined);

/** Keeps this page for when there is no network: what is typed is kept anyway, and so it can be opened again. */
export function useWithoutNetwork() {
  useEffect(() => quietly(keepHere([location.href])), []);
}

/** Nobody waits for this: the page one looks at comes first. */
const LATER_MS = 8_000;
const AGAIN_MS = 3_600_000;

/** Keeps the pages one will want on the way, a while after this one is there. */
export function useKeptForLater(addresses: readonly string[]) {
  const all = addresses.join(' ');
  useEffect(() => {
    const timer = setTimeout(() => quietly(keepHere(all.split(' '), AGAIN_MS)), LATER_MS);
    return () => clearTimeout(timer);
  }, [all]);
}
