import { checkingLinks } from '@/contract/links';
import { proofreadingOf, learningWord, choosingSpelling, type Proofreading } from '@/contract/proofreading';
import type { Spelling } from '@/core/proofread/spelling';
import { call } from '../request/call';
import type { Part } from '@/core/brief/brief';
import type { Doc } from '@/core/document/nodes';
import { flatten } from '@/core/document/flatten';
import { findingKey, type Finding } from '@/core/proofread/finding';
import type { Proofreader } from '@/workers/proofread';
import { startWorker, type StartedWorker } from '../frame/started-worker';
import { useCallback, useEffect, useRef, useState } from 'react';
import { linkTrouble } from '../words/proofreading';

export type Looking =
  | { state: 'looking' }
  | { state: 'failed' }
  | { state: 'found'; findings: Finding[]; version: number; spelled: boolean };

const BEGINS_WITHIN_MS = 15_000;
let worker: StartedWorker<Proofreader> | null = null;
const proofreader = () => {
  const started = (worker ??= startWorker<Proofreader>(
    () => new Worker(new URL('../../workers/proofread.ts', import.meta.url), { type: 'module' }),
    BEGINS_WITHIN_MS,
  ));
  if (!started) throw new Error('This browser gives no workers.');
  return started;
};
/** What the worker answers, or a failure where it never began. */
async function asked<T>(question: (ask: StartedWorker<Proofreader>['ask']) => Promise<T>): Promise<T> {
  const { ask, lost } = proofreader();
  return Promise.race([question(ask), lost]);
}

/** Links in the order they stand, with where each stands first. */
function linksIn(doc: Doc) {
  const found = new Map<string, { from: number; to: number; text: string }>();
  for (const line of flatten(doc)) {
    for (const l of line.links) {
      if (!/^https?:/iu.test(l.href) || found.has(l.href)) continue;
      found.set(l.href, {
        from: line.pos + l.start,
        to: line.pos + l.end,
        text: line.text.slice(l.start, l.end),
      });
    }
  }
  return found;
}

/** Kinds that say something of one word. */
const OF_A_WORD: ReadonlySet<Finding['kind']> = new Set(['spelling', 'name', 'agreement']);
/** So long after the last key a word is not being typed any more. */
const TYPED_MS = 1_500;

/**
 * Reads a draft over while its panel is open, and again after each change. Nothing is said of the word that is being typed: it stands
 * before the `caret`, which is null where nobody types. `changed` is another one when the draft is.
 */
export function useProofreading(
  slug: string,
  parts: Part[],
  text: () => { doc: Doc; version: number; caret: number | null },
  changed: unknown,
) {
  const [course, setCourse] = useState<Proofreading | null>(null);
  const [looking, setLooking] = useState<Looking>({ state: 'looking' });
  const [waved, setWaved] = useState<ReadonlySet<string>>(new Set());
  const [ready, setReady] = useState<{ spelled: boolean } | null>(null);
  const [links, setLinks] = useState<ReadonlyMap<string, string | null>>(new Map());
  const latest = useRef(text);
  useEffect(() => {
    latest.current = text;
  });

  useEffect(() => {
    let gone = false;
    void call(proofreadingOf, { slug }, null).then((found) => {
      if (gone) return;
      if (found.ok) setCourse(found.value);
      else setLooking({ state: 'failed' });
    });
    return () => {
      gone = true;
    };
  }, [slug]);

  useEffect(() => {
    if (!course) return;
    let gone = false;
    void asked((ask) => ask.prepare(course))
      .then((spelled) => !gone && setReady({ spelled }))
      .catch(() => !gone && setLooking({ state: 'failed' }));
    return () => {
      gone = true;
    };
  }, [course]);

  /** Looks the text over; answers whether something of the word before the caret was left unsaid. */
  const look = useCallback(
    async (typing: boolean): Promise<boolean> => {
      if (!ready) return false;
      const { doc, version, caret } = latest.current();
      const all = await asked((ask) => ask.find(doc, parts)).catch(() => null);
      if (!all) {
        setLooking({ state: 'failed' });
        return false;
      }
      const findings = typing ? all.filter((f) => !OF_A_WORD.has(f.kind) || f.to !== caret) : all;
      const standing = linksIn(doc);
      const broken = [...standing].flatMap(([href, at]): Finding[] => {
        const about = links.get(href);
        return about ? [{ kind: 'link', ...at, fixes: [], about }] : [];
      });
      setLooking({
        state: 'found',
        spelled: ready.spelled,
        version,
        findings: [...findings, ...broken].sort((a, b) => a.from - b.from),
      });
      return findings.length < all.length;
    },
    [ready, parts, links],
  );

  useEffect(() => {
    let timer = setTimeout(() => {
      void look(true).then((left) => {
        if (left && !gone) timer = setTimeout(() => void look(false), TYPED_MS);
      });
    }, 250);
    let gone = false;
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [look, changed]);

  useEffect(() => {
    const unknown = [...linksIn(latest.current().doc).keys()].filter((href) => !links.has(href)).slice(0, 20);
    if (unknown.length === 0) return;
    const timer = setTimeout(() => {
      void call(checkingLinks, {}, { links: unknown }).then((answer) => {
        // Nothing is said about links that could not be asked for.
        if (!answer.ok) return;
        const told = unknown.map(
          (href, i) => [href, linkTrouble(answer.value.links[i] ?? { state: 'good' })] as const,
        );
        setLinks((before) => new Map([...before, ...told]));
      });
    }, 600);
    return () => clearTimeout(timer);
  }, [changed, links]);

  return {
    looking,
    findings: looking.state === 'found' ? looking.findings.filter((f) => !waved.has(findingKey(f))) : [],
    /** The number of the text that the findings are of. */
    version: looking.state === 'found' ? looking.version : 0,
    waved: waved.size,
    spelling: course?.spelling ?? 'en-GB',
    wave: (f: Finding) => setWaved((before) => new Set([...before, findingKey(f)])),
    suggest: (word: string): Promise<string[]> => asked((ask) => ask.suggest(word)),
    learn: async (word: string, forCourse: boolean) => {
      await asked((ask) => ask.learn(word));
      await look(false);
      await call(learningWord, { slug }, { word, course: forCourse });
    },
    speak: (spelling: Spelling) => {
      if (course) setCourse({ ...course, spelling });
      void call(choosingSpelling, {}, { spelling });
    },
  };
}
