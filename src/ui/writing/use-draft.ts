'use client';

import { keepingDraft } from '@/contract/writing';
import { call } from '../request/call';
import { canonicalJson } from '@/core/posts/canonical';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { OpenDraft } from '@/contract/discussion';
import { DraftKeeper, isNewerHere, type LocalCopy, type Place } from './draft-keeper';
import { forgetLocal, isFirstWindow, keepLocal, readLocal } from './local-copy';

function keeperFor(place: Place, opened: OpenDraft): DraftKeeper {
  const key = localKey(place);
  return new DraftKeeper(place, opened, {
    keepLocal: (copy) => keepLocal(key, copy),
    forgetLocal: () => forgetLocal(key),
    keep: (request, leaving) => call(keepingDraft, { slug: place.slug }, request, { keepalive: leaving }),
  });
}

const localKey = (place: Place) =>
  `${place.person} ${place.slug} ${place.kind} ${place.parent ?? ''}${place.edits ? ` edits ${place.edits}` : ''}`;

/**
 * What this machine still holds and the page does not show: words the server never got, from a window that is gone, or, where
 * the page was opened without a network, a newer revision than the page's. Null when there is nothing of the kind.
 */
export async function leftBehind(
  place: Place,
  opened: OpenDraft,
): Promise<(LocalCopy & { same: boolean }) | null> {
  const key = localKey(place);
  if (!(await isFirstWindow(key))) return null;
  const local = await readLocal(key);
  if (!local || !isNewerHere(local, opened)) return null;
  const same = canonicalJson(local.doc) === canonicalJson(opened.doc) && local.title === opened.title;
  return same && !local.kept ? null : { ...local, same };
}

/** A draft's keeper for the life of a page. */
export function useDraft(place: Place, opened: OpenDraft) {
  const router = useRouter();
  const [keeper] = useState(() => keeperFor(place, opened));
  useEffect(() => {
    const leave = () => keeper.flush(true);
    const hidden = () => document.visibilityState === 'hidden' && leave();
    const online = () => keeper.flush(false);
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('online', online);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('online', online);
      // The page one goes to may have been laid before these words: its figures are asked for again.
      void keeper.leave().then((changed) => changed && router.refresh());
    };
  }, [keeper, router]);
  return keeper;
}
