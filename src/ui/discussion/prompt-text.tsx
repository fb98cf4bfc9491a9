'use client';

import { responseAt } from '@/contract/addresses';
import type { Check } from '@/core/checks/types';
import type { Requirement } from '@/core/prompts/on-document';
import type { Doc } from '@/core/document/nodes';
import { useState, type ReactNode } from 'react';
import type { Mention } from '@/core/reading/mentions';
import Link from 'next/link';
import { ReadAloud } from '../aloud/read-aloud';
import { useVoice } from '../aloud/use-voice';
import { DocumentView } from '../document/document-view';
import type { Dressed } from '../document/dressing';
import { checkFigure, checkName } from '../words/checks';
import { factText } from '../words/requirements';
import { useOfChecks, useWriting } from '../writing/writing-context';

/** How far something a prompt asks for is done: `told` is for what has nothing to be done, such as a deadline. */
export type Status = { state: 'met' | 'open' | 'told'; text: string };

const LOOKS = {
  met: 'decoration-pine decoration-solid',
  open: 'decoration-ochre decoration-dashed',
  told: 'decoration-ink-3 decoration-dotted',
};
const SIGNS = { met: '✓', open: '!', told: '' };

/** The check that a fact of the response stands or falls with. */
const checkOf = (fact: string, checks: readonly Check[] | null) =>
  fact.startsWith('response.') ? checks?.find((c) => c.id === fact.split('.')[1]) : undefined;

function statusOf(r: Requirement, checks: readonly Check[] | null, told: Record<string, Status>): Status {
  const each = r.facts.map((f): Status => {
    const check = checkOf(f.fact, checks);
    if (check) {
      const state = check.met ? 'met' : 'open';
      return {
        state,
        text: `${checkName(check.id)} ${checkFigure(check)}${check.met ? '' : ', not met yet'}`,
      };
    }
    const [side = '', field = ''] = f.fact.split('.');
    return told[f.fact] ?? told[`${side}.${field}`] ?? told[side] ?? { state: 'told', text: factText(f) };
  });
  const state = each.some((s) => s.state === 'open')
    ? 'open'
    : each.some((s) => s.state === 'met')
      ? 'met'
      : 'told';
  return { state, text: [...new Set(each.map((s) => s.text))].join('; ') };
}

/** What is left of a stretch around the links in it: one control never stands inside another. */
function around(r: { from: number; to: number }, links: readonly Mention[]): { from: number; to: number }[] {
  const out: { from: number; to: number }[] = [];
  let at = r.from;
  for (const link of links) {
    if (link.to <= at || link.from >= r.to) continue;
    if (link.from > at) out.push({ from: at, to: link.from });
    at = link.to;
  }
  if (at < r.to) out.push({ from: at, to: r.to });
  return out;
}

/** How a requirement stands in the draft, as its writer goes on writing. */
function useStatus(r: Requirement, told: Record<string, Status>): Status {
  const state = useOfChecks((checks) => statusOf(r, checks, told).state);
  const text = useOfChecks((checks) => statusOf(r, checks, told).text);
  return { state, text };
}

function Underlined(props: {
  requirement: Requirement;
  told: Record<string, Status>;
  /** The sign stands behind the last piece of a requirement. */
  last: boolean;
  /** The one that is pointed at on this page, whether or not a check stands behind it. */
  here: Requirement | null;
  setHere: (r: Requirement | null) => void;
  children: ReactNode;
}) {
  const { requirement: r, here, setHere } = props;
  const { pointed, point } = useWriting();
  const standing = useStatus(r, props.told);
  const check = useOfChecks((checks) => r.facts.map((f) => checkOf(f.fact, checks)).find((c) => c));
  const speaksOf = (fact: string) => fact.startsWith('response.') && fact.split('.')[1] === pointed;
  const lit = here === r || (pointed !== null && r.facts.some((f) => speaksOf(f.fact)));
  const pointHere = (on: boolean) => {
    setHere(on ? r : null);
    point(on ? (check?.id ?? null) : null);
  };
  return (
    <span
      role="button"
      tabIndex={0}
      aria-pressed={lit}
      title={standing.text}
      onMouseEnter={() => pointHere(true)}
      onMouseLeave={() => pointHere(false)}
      onFocus={() => pointHere(true)}
      onBlur={() => pointHere(false)}
      className={`cursor-help rounded-[2px] underline decoration-2 underline-offset-4 ${LOOKS[standing.state]} ${
        lit ? 'bg-mark' : ''
      }`}
    >
      {props.children}
      {props.last && SIGNS[standing.state] ? (
        <sup
          aria-hidden
          className={`ml-px font-sans text-[10px] font-bold ${standing.state === 'met' ? 'text-pine-ink' : 'text-ochre-ink'}`}
        >
          {SIGNS[standing.state]}
        </sup>
      ) : null}
      <span className="sr-only"> ({standing.text})</span>
    </span>
  );
}

/** In words, how the requirement that is pointed at stands. */
const StatusLine = (props: { requirement: Requirement; told: Record<string, Status> }) =>
  `${useStatus(props.requirement, props.told).text}.`;

/**
 * The prompt's text with everything it requires underlined where it stands, and how that stands by now. Pointing at a
 * requirement shows its check on the other page, and the other way round.
 */
export function PromptText(props: {
  doc: Doc;
  requirements: Requirement[];
  told: Record<string, Status>;
  /** Readings that the prompt names, each one click away. */
  mentions: Mention[];
  slug: string;
  recording: { id: string; speaker: string } | null;
}) {
  const { doc, requirements, told } = props;
  const [here, setHere] = useState<Requirement | null>(null);
  const voice = useVoice(doc);
  const within: Dressed[] = voice.sentence
    ? [
        {
          ...voice.sentence,
          dress: (text) => (
            <mark data-spoken="" className="rounded-[2px] bg-mark text-ink">
              {text}
            </mark>
          ),
        },
      ]
    : [];
  const links = props.mentions.map(({ from, to, slug }): Dressed => ({
    from,
    to,
    dress: (text) => (
      <Link className="link" href={responseAt(props.slug, { reading: slug })} scroll={false}>
        {text}
      </Link>
    ),
  }));
  const underlined = requirements.flatMap((r) =>
    around(r, props.mentions).map(({ from, to }, i, pieces): Dressed => ({
      from,
      to,
      dress: (text) => (
        <Underlined requirement={r} told={told} last={i === pieces.length - 1} here={here} setHere={setHere}>
          {text}
        </Underlined>
      ),
    })),
  );
  return (
    <>
      <DocumentView
        doc={doc}
        within={within}
        className="!text-[15px]"
        dressed={[...links, ...underlined].sort((x, y) => x.from - y.from)}
      />
      <div className="mt-2">
        <ReadAloud voice={voice} recording={props.recording} what="the prompt" />
      </div>
      {requirements.length ? (
        <p aria-hidden className="mt-1.5 text-[12.5px] text-ink-2">
          {here ? (
            <StatusLine requirement={here} told={told} />
          ) : (
            'Underlined: what is asked for. Point at it to see how it stands.'
          )}
        </p>
      ) : null}
    </>
  );
}
