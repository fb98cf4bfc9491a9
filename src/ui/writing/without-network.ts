import { useEffect } from 'react';

const FIXED = /^\/(?:_next\/static|dictionaries)\//;

/** Keeps this page for when there is no network: what is typed is kept anyway, and so it can be opened again. */
export function useWithoutNetwork() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    void (async () => {
      await navigator.serviceWorker.register('/without-network.js');
      const { active } = await navigator.serviceWorker.ready;
      const parts = performance
        .getEntriesByType('resource')
        .map((e) => new URL(e.name))
        .filter((u) => u.origin === location.origin && FIXED.test(u.pathname))
        .map((u) => u.href);
      active?.postMessage({ keep: [location.href, ...parts] });
    })().catch(() => {
      // A browser that keeps no pages is no error: one writes on as before, and opens again with a network.
    });
  }, []);
}
