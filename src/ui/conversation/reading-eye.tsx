'use client';

import { useEffect } from 'react';
import { flushReading, isUnreadNow, setRead } from './reading-store';

/** In view for this long is read. */
const LOOK_MS = 1_200;

/**
 * Marks unread posts as read once enough of them has been in view for a moment: half of the post, or as much as fills
 * half the window. Looking away (another window in front) starts the moment anew.
 */
export function ReadingEye({ slug, unread }: { slug: string; unread: number[] }) {
  const key = unread.join(' ');
  useEffect(() => {
    const timers = new Map<number, ReturnType<typeof setTimeout>>();
    const stop = (post: number) => {
      clearTimeout(timers.get(post));
      timers.delete(post);
    };
    const inView = new Set<number>();
    const look = (post: number) => {
      if (timers.has(post) || document.visibilityState !== 'visible') return;
      timers.set(
        post,
        setTimeout(() => {
          timers.delete(post);
          // A post that was set back to unread by hand stays so while one looks at it.
          if (isUnreadNow(post, true)) setRead(slug, post, true);
          observer.unobserve(document.getElementById(`post-${post}`) ?? document.body);
          inView.delete(post);
        }, LOOK_MS),
      );
    };
    const observer = new IntersectionObserver(
      (entries) => {
        for (const entry of entries) {
          const post = Number(entry.target.id.replace('post-', ''));
          const enough =
            entry.intersectionRatio >= 0.5 || entry.intersectionRect.height >= window.innerHeight / 2;
          if (enough) {
            inView.add(post);
            look(post);
          } else {
            inView.delete(post);
            stop(post);
          }
        }
      },
      { threshold: [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.75, 1] },
    );
    for (const post of key ? key.split(' ') : []) {
      const article = document.getElementById(`post-${post}`);
      if (article) observer.observe(article);
    }
    const onVisibility = () => {
      if (document.visibilityState === 'visible') for (const post of inView) look(post);
      else {
        for (const post of [...timers.keys()]) stop(post);
        flushReading();
      }
    };
    document.addEventListener('visibilitychange', onVisibility);
    window.addEventListener('pagehide', flushReading);
    return () => {
      observer.disconnect();
      for (const post of [...timers.keys()]) stop(post);
      document.removeEventListener('visibilitychange', onVisibility);
      window.removeEventListener('pagehide', flushReading);
      flushReading();
    };
  }, [slug, key]);
  return null;
}
