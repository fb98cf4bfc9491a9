'use client';

import { draftVersionList, draftVersionText, type DraftVersionLine } from '@/contract/writing';
import { call } from '../request/call';
import type { Doc } from '@/core/document/nodes';
import type { VersionReason } from '@/core/drafts/history';
import { History } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { DocumentView } from '../document/document-view';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import type { Place } from '../writing/draft-keeper';
import { DifferenceView } from './difference-view';

type Text = { title: string; doc: Doc };

const REASONS: Record<VersionReason, string> = {
  'as-it-went': 'as you went on',
  'other-window': 'set aside for another window’s text',
  'before-restoring': 'before another text took its place',
  withdrawn: 'taken back after sharing',
};

/** The earlier versions of a draft: look at one, compare it with the text of now, bring it back. */
export function HistoryDialog(props: {
  place: Place;
  zone: string;
  now: () => Text;
  restore: (text: Text) => void;
}) {
  const { place, zone } = props;
  const { slug, kind, parent, edits } = place;
  const [open, setOpen] = useState(false);
  const [versions, setVersions] = useState<DraftVersionLine[] | 'loading' | 'failed'>('loading');
  const [chosen, setChosen] = useState<(DraftVersionLine & { text: Text }) | null>(null);
  const [compared, setCompared] = useState(true);

  useEffect(() => {
    if (!open) return;
    void call(draftVersionList, { slug }, { kind, parent: parent ?? undefined, edits }).then((found) =>
      setVersions(found.ok ? found.value.versions : 'failed'),
    );
  }, [open, slug, kind, parent, edits]);

  const choose = async (version: DraftVersionLine) => {
    const text = await call(draftVersionText, { slug, id: version.id }, null);
    if (text.ok) setChosen({ ...version, text: text.value });
    else setVersions('failed');
  };
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setChosen(null);
        setVersions('loading');
      }}
    >
      <Dialog.Trigger className="link min-h-6 text-[12.5px]">Earlier versions</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.35)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-3 top-[5dvh] z-50 mx-auto flex h-[90dvh] max-w-[980px] flex-col overflow-hidden rounded-plate border border-rule bg-page"
        >
          <div className="flex items-center gap-3 border-b border-rule px-4 py-3">
            <History size={18} aria-hidden />
            <Dialog.Title className="grow text-[18px]">Earlier versions of this draft</Dialog.Title>
            <Dialog.Close className="btn">Close</Dialog.Close>
          </div>
          <div className="grid min-h-0 grow sm:grid-cols-[270px_1fr]">
            <nav
              aria-label="Versions"
              className="min-h-0 overflow-auto border-rule bg-page-2 p-2 max-sm:max-h-[30dvh] max-sm:border-b sm:border-r"
            >
              {versions === 'loading' ? (
                <p className="p-2 text-ink-2">Looking them up…</p>
              ) : versions === 'failed' ? (
                <p role="alert" className="p-2 font-medium text-brick">
                  They could not be fetched. Your text is kept; close this and try again when you are
                  connected.
                </p>
              ) : versions.length === 0 ? (
                <p className="p-2 text-ink-2">
                  None yet. One is kept after a pause, every few minutes of writing, and before many words are
                  taken out.
                </p>
              ) : (
                <ul>
                  {versions.map((v) => (
                    <li key={v.id}>
                      <button
                        type="button"
                        aria-pressed={chosen?.id === v.id}
                        onClick={() => void choose(v)}
                        className={`w-full rounded-[6px] px-2.5 py-2 text-left text-[13px] ${
                          chosen?.id === v.id ? 'bg-page shadow-[inset_3px_0_var(--pine)]' : 'hover:bg-page'
                        }`}
                      >
                        <b className="block">{moment(v.keptAt, zone)}</b>
                        <span className="text-ink-2">
                          {plural(v.words, 'word')}, {REASONS[v.reason]}
                        </span>
                      </button>
                    </li>
                  ))}
                </ul>
              )}
            </nav>
            <div className="flex min-h-0 flex-col">
              {chosen ? (
                <>
                  <div className="flex flex-wrap items-center gap-3 border-b border-rule-soft px-4 py-2">
                    <label className="flex min-h-8 items-center gap-1.5 text-[13px]">
                      <input
                        type="checkbox"
                        checked={compared}
                        onChange={(e) => setCompared(e.target.checked)}
                      />{' '}
                      Compare with the text of now
                    </label>
                    <button
                      type="button"
                      className="btn go ml-auto"
                      onClick={() => {
                        props.restore(chosen.text);
                        setOpen(false);
                      }}
                    >
                      Bring this version back
                    </button>
                  </div>
                  <div className="min-h-0 grow overflow-auto px-4 py-3 sm:px-6" tabIndex={0}>
                    {compared ? (
                      <DifferenceView
                        first={chosen.text}
                        second={props.now()}
                        names={{ first: 'this version', second: 'the text of now' }}
                      />
                    ) : (
                      <article>
                        {chosen.text.title ? <h3 className="mb-3 text-[20px]">{chosen.text.title}</h3> : null}
                        <DocumentView doc={chosen.text.doc} />
                      </article>
                    )}
                  </div>
                  <p className="border-t border-rule-soft px-4 py-2 text-[12.5px] text-ink-2">
                    What stands now is kept as a version too, so bringing one back loses nothing.
                  </p>
                </>
              ) : (
                <p className="m-auto p-6 text-ink-2">Choose a version to look at it.</p>
              )}
            </div>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
