/**
 * Looks again and again while the page is in sight: each so many milliseconds, and when its window is come back to.
 *
 * @returns what ends it
 */
export function lookWhileInSight(everyMs: number, look: () => void): () => void {
  const now = () => {
    if (document.visibilityState === 'visible') look();
  };
  const timer = setInterval(now, everyMs);
  document.addEventListener('visibilitychange', now);
  window.addEventListener('focus', now);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', now);
    window.removeEventListener('focus', now);
  };
}
