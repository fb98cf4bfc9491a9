import { postAt, postsAt } from '@/contract/addresses';
import type { Part } from '@/core/brief/brief';
import { canonicalJson } from '@/core/posts/canonical';
import { documentFromParts, documentFromText, textsOfParts } from '@/core/document/compose';
import type { Ref } from 'react';
import type { OpenDraft } from '@/contract/discussion';

/** Where a plain form is sent, by which name other fields belong to it, and what it says beside. */
export type PlainTarget = { id: string; action: string; fields: Record<string, string> };

/**
 * Writing and sharing before any script has run, or without scripts at all: a field for each part, and the same
 * server behind it. With scripts the editor takes its place and takes over what was typed meanwhile.
 */
export function PlainForm({
  ref,
  slug,
  kind,
  parent,
  draft,
  parts,
  withTitle,
  disabled,
  button,
  change,
  to,
}: {
  ref?: Ref<HTMLFormElement>;
  slug: string;
  kind: 'response' | 'reply';
  parent: number | null;
  draft: OpenDraft;
  parts: Part[];
  withTitle: boolean;
  disabled: boolean;
  button: string;
  /** The shared post that is changed, and the version it was made of: there is no draft of that without scripts. */
  change?: { post: number; n: number } | undefined;
  /** Where it is sent in the place of a discussion's posts, with what beside the text. */
  to?: PlainTarget | undefined;
}) {
  const texts = textsOfParts(parts, draft.doc);
  const again = parts.length ? documentFromParts(parts, texts) : documentFromText(texts[0] ?? '');
  const loses = canonicalJson(again) !== canonicalJson(draft.doc);
  const fields = parts.length
    ? parts.map((p, i) => ({ name: `${i + 1}. ${p.text}`, i }))
    : [{ name: 'Your text', i: 0 }];
  return (
    <form
      ref={ref}
      method="post"
      id={to?.id}
      action={to?.action ?? (change ? postAt(slug, change.post) : postsAt(slug))}
      className="grid gap-3 overflow-auto p-4 sm:p-6"
    >
      <input type="hidden" name="kind" value={kind} />
      {Object.entries(to?.fields ?? {}).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {parent === null ? null : <input type="hidden" name="parent" value={parent} />}
      <input type="hidden" name="submission" value={draft.submission} />
      <input type="hidden" name="base" value={draft.revision} />
      {change ? <input type="hidden" name="n" value={change.n} /> : null}
      {change && loses ? (
        <p className="rounded-control bg-ochre-tint px-3 py-2 text-[13.5px] font-medium">
          Without scripts only words can be changed: pictures, links, lists and the like of this post are not
          in these fields, and would be gone from its new text. The text of now is kept as an earlier version.
        </p>
      ) : null}
      {withTitle ? (
        <label className="grid gap-1 font-semibold">
          Title
          <input
            className="field font-serif text-[16px]"
            name="title"
            maxLength={200}
            defaultValue={draft.title}
          />
        </label>
      ) : null}
      {fields.map(({ name, i }) => (
        <label key={i} className="grid gap-1 font-semibold">
          {name}
          <textarea
            className="field font-serif text-[15.5px] leading-relaxed font-normal"
            name="text"
            rows={parts.length ? 6 : 12}
            defaultValue={texts[i]}
          />
        </label>
      ))}
      <div className="flex flex-wrap gap-2">
        {change ? null : (
          <button className="btn" type="submit" name="do" value="keep">
            Keep as draft
          </button>
        )}
        <button className="btn go" type="submit" name="do" value="share" disabled={disabled}>
          {button}
        </button>
      </div>
    </form>
  );
}
