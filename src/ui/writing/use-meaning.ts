import { useEffect } from 'react';
import type { LiveChecks } from './live-checks';
import { meaningFrom } from './meaning-from';

/** Has a reply weighed by its meaning, too, where its substance is judged at all. */
export function useMeaning(live: LiveChecks, slug: string, post: string, prompt: string) {
  useEffect(
    () => (live.judges() ? live.weighBy(meaningFrom(slug, post, prompt)) : undefined),
    [live, slug, post, prompt],
  );
}
