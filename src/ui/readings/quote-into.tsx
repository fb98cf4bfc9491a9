'use client';

import { quoting } from '@/contract/writing';
import { call } from '../request/call';
import { useState } from 'react';
import { noteAnswerText } from '../words/notes';

type Discussion = { slug: string; title: string };

/** The way of a passage into the draft of a response of the same week. */
export function useQuoteInto(discussions: Discussion[]) {
  const [to, setTo] = useState(discussions[0]?.slug ?? null);
  const [said, setSaid] = useState<string | null>(null);
  const quote = async (text: string, source: string) => {
    if (to === null) return;
    const answer = await call(quoting, { slug: to }, { text, source });
    const code = answer.ok ? 'quoted' : answer.code === 'other-window' ? 'quoted-elsewhere' : answer.code;
    setSaid(noteAnswerText(code, {}));
  };
  return {
    ready: to !== null,
    discussions,
    to,
    setTo,
    said,
    quote: (text: string, source: string) => void quote(text, source),
  };
}

/** The button that sends a selected passage into a draft, and which draft where there are several. */
export function QuoteInto(props: { into: ReturnType<typeof useQuoteInto>; text: string; source: string }) {
  const { into, text, source } = props;
  return (
    <span className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className="btn !min-h-8 !px-2.5 !py-1 !text-[12.5px]"
        onClick={() => into.quote(text, source)}
      >
        Quote it in my draft
      </button>
      {into.discussions.length > 1 ? (
        <select
          aria-label="Which draft"
          className="field !min-h-8 !w-auto !py-0.5 text-[12.5px]"
          value={into.to ?? ''}
          onChange={(e) => into.setTo(e.target.value)}
        >
          {into.discussions.map((d) => (
            <option key={d.slug} value={d.slug}>
              {d.title}
            </option>
          ))}
        </select>
      ) : null}
    </span>
  );
}
