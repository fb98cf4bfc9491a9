'use client';

import type { FieldChanged, Receipt } from '@/core/receipts/receipt';
import { useActionState } from 'react';
import { ReceiptLines } from './receipt-sheet';

type Trouble =
  | { code: 'not-a-receipt' | 'not-keys' | 'unknown-key' | 'signature' | 'content' }
  | { code: 'changed'; fields: FieldChanged[] };
export type VerifyState = {
  text: string;
  verified: {
    receipt: Receipt | null;
    troubles: Trouble[];
    contentChecked: boolean;
    signedBy: 'here' | 'given' | null;
  } | null;
};

const TROUBLES = {
  'not-a-receipt':
    'This is not a receipt of Pulpit’s, or a piece of one: the file must be the one that was saved, whole.',
  'not-keys':
    'The second file holds no keys: it is “keys of receipts.json” of an archive, or what that Pulpit gives out.',
  'unknown-key':
    'It was signed with a key that is not of this Pulpit, so it was not issued here. Where it comes from another one, give its keys, too.',
  signature:
    'The signature does not fit the signed part: that part, or the signature, was changed after Pulpit issued it.',
  content: 'The text in the file is not the text that was shared: its fingerprint is another.',
} as const;

function Said({ verified }: { verified: NonNullable<VerifyState['verified']> }) {
  const good = verified.troubles.length === 0;
  return (
    <section
      role="status"
      aria-labelledby="result"
      className={`plate mt-5 border-l-4 px-5 py-4 ${good ? 'border-l-pine' : 'border-l-brick'}`}
    >
      <h2 id="result" className="text-[18px]">
        {good ? 'This receipt is genuine.' : 'This receipt cannot be trusted.'}
      </h2>
      {good ? (
        <p className="mt-1 mb-3 text-[13.5px]">
          {verified.signedBy === 'given'
            ? 'One of the keys you gave signed it, and nothing of it was changed'
            : 'Pulpit signed it, and nothing of it was changed'}
          {verified.contentChecked
            ? '; the text in the file is the one that was shared.'
            : '. The file holds no text to compare.'}
          {verified.signedBy === 'given'
            ? ' It is as good as these keys are: you know from whom you have them.'
            : ''}
        </p>
      ) : (
        <ul className="mt-1 mb-3 list-disc space-y-1 pl-5">
          {verified.troubles.map((t) =>
            t.code === 'changed' ? (
              t.fields.map((f) => (
                <li key={f.field}>
                  <b>{f.field}</b> was changed: the file says “{f.shown}”, signed was “{f.signed}”.
                </li>
              ))
            ) : (
              <li key={t.code}>{TROUBLES[t.code]}</li>
            ),
          )}
        </ul>
      )}
      {verified.receipt && good ? <ReceiptLines receipt={verified.receipt} zone="UTC" /> : null}
    </section>
  );
}

/** Choose or paste a receipt, and be told whether it is genuine and, if not, exactly what fails. */
export function VerifyForm(props: { action: (before: VerifyState, form: FormData) => Promise<VerifyState> }) {
  const [state, action, busy] = useActionState(props.action, { text: '', verified: null });
  return (
    <>
      <form action={action} className="plate space-y-3 px-5 py-4">
        <label className="block">
          <span className="mb-1 block font-semibold">The file</span>
          <input type="file" name="file" accept=".json,application/json" className="field" />
        </label>
        <label className="block">
          <span className="mb-1 block font-semibold">or what is in it</span>
          <textarea
            name="text"
            rows={7}
            defaultValue={state.text}
            className="field w-full font-mono text-[12.5px]"
            spellCheck={false}
          />
        </label>
        <label className="block">
          <span className="mb-1 block font-semibold">
            Its keys, if it comes from another Pulpit{' '}
            <span className="font-normal text-ink-2">(“keys of receipts.json” lies in an archive)</span>
          </span>
          <input type="file" name="keys" accept=".json,application/json" className="field" />
        </label>
        <button className="btn go" disabled={busy}>
          {busy ? 'Verifying…' : 'Verify it'}
        </button>
      </form>
      {state.verified ? <Said verified={state.verified} /> : null}
    </>
  );
}
