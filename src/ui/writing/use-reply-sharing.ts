'use client';

import { conversationAt } from '@/contract/addresses';
import type { Answering } from '@/contract/conversation-view';
import { unmetRequired } from '@/core/checks/checks';
import { plainText } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { repeatOf, type Earlier } from '@/core/substance/repeated';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { useShare } from './use-share';
import type { How } from './waiting-shares';
import type { WritingState } from './use-writing';

/** What is asked before a reply is shared. */
export type Asking = 'short' | 'private' | 'posted' | 'changed' | 'repeated';

/** The sharing of a reply: what has to be asked first, and the way to the page that says it went through. */
export function useReplySharing(
  place: Parameters<typeof useShare>[0],
  writing: Pick<WritingState, 'text' | 'keeper' | 'checkNow'>,
  reply: { answering: Answering; earlier: readonly Earlier[]; counts: boolean; outside: boolean },
) {
  const { answering, earlier, counts, outside } = reply;
  const router = useRouter();
  const { share, send, stillWaits, stopWaiting, isWaiting } = useShare(place);
  const [asking, setAsking] = useState<Asking | null>(null);
  // The text of now, where the post was changed while this page was open.
  const [newer, setNewer] = useState<{ title: string; doc: Doc; n: number } | null>(null);
  const how = useRef<How>({});

  const go = async (chosen: How, answeredN = answering.n) => {
    how.current = chosen;
    const sent = await send({ ...writing.text(), title: '' }, writing.keeper.submission, {
      ...chosen,
      answeredN,
    });
    if (typeof sent === 'object') {
      if (sent?.code === 'answered-changed') {
        setNewer(sent);
        setAsking('changed');
      }
      return;
    }
    writing.keeper.finish();
    router.push(conversationAt(place.slug, { post: sent, shared: sent }));
    router.refresh();
  };
  /** Whom the writer has already answered with nearly this; null where nobody. */
  const repeats = () => repeatOf(plainText(writing.text().doc), earlier);

  return {
    share,
    stopWaiting,
    isWaiting,
    /** The same once more, after nobody answered; false where the text is no longer the same. */
    again: () => {
      const how = stillWaits({ ...writing.text(), title: '' });
      if (how) void go(how, how.answeredN);
      return how !== null;
    },
    asking,
    setAsking,
    newer,
    repeats,
    /** What was asked is answered. */
    goOn: (chosen: How) => {
      setAsking(null);
      void go(chosen);
    },
    /** The post was changed meanwhile: the reply goes to its text of now. */
    goOnToNewer: () => {
      setAsking(null);
      if (newer) void go(how.current, newer.n);
    },
    /** Back to the writing, with what the post says now. */
    lookAgain: () => {
      setAsking(null);
      router.refresh();
    },
    /** A text that lacks something is shared only by wish. */
    shareOrAsk: async () => {
      const short = unmetRequired(await writing.checkNow()).length > 0;
      if (outside) setAsking('posted');
      else if (counts && short) setAsking('short');
      else if (repeats()) setAsking('repeated');
      else await go({});
    },
  };
}

export type ReplySharing = ReturnType<typeof useReplySharing>;
