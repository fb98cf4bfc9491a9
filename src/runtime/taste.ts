import { AsyncLocalStorage } from 'node:async_hooks';

/** How whoever asks likes times to be shown, while a request of theirs is answered. */
type Taste = { clock: '12' | '24' };

const place = globalThis as typeof globalThis & {
  pulpitTastes?: AsyncLocalStorage<Taste>;
  pulpitClock?: () => '12' | '24';
};

// A bundler may load this module more than once; there is one of these for all.
const tastes = (place.pulpitTastes ??= new AsyncLocalStorage<Taste>());
// What words a time asks here, in a browser it asks the page.
place.pulpitClock ??= () => tastes.getStore()?.clock ?? '24';

/** A request begins: nothing is known of who asks. */
export const beginTaste = () => tastes.enterWith({ clock: '24' });

/** Who asks is known now. */
export function setTaste({ clock }: Taste) {
  const taste = tastes.getStore();
  if (taste) taste.clock = clock;
}
