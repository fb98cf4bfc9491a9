import { partAt, receiptFileAt } from '@/contract/addresses';
import type { Doc } from '@/core/document/nodes';
import type { Receipt } from '@/core/receipts/receipt';
import { DocumentView } from '../document/document-view';
import { checkFigure, checkName } from '../words/checks';
import { clockTime, day, stretch } from '../words/time';
import { PrintButton } from './print-button';

const seconds = (at: number) => String(new Date(at).getUTCSeconds()).padStart(2, '0');

function full(iso: string, zone: string) {
  const at = Date.parse(iso);
  return `${day(at, zone)} ${new Date(at).getUTCFullYear()}, ${clockTime(at, zone)}:${seconds(at)} (${zone})`;
}

/** What a receipt says, line by line; the printable page and the page that verifies both show it. */
export function ReceiptLines({ receipt, zone }: { receipt: Receipt; zone: string }) {
  const { post, marginSeconds } = receipt;
  const margin = stretch(Math.abs(marginSeconds) * 1_000);
  const lines: [string, string][] = [
    ['Who', receipt.author.name],
    ['What', post.kind === 'reply' ? `Reply to ${post.replyTo}` : 'Response'],
    ['Where', `${receipt.course.code} ${receipt.course.title}: ${receipt.discussion.title}`],
    ['Post', `#${post.number}, version ${post.version}, ${post.ownWords} own words`],
    ['Shared', full(receipt.sharedAt, zone)],
    ...(receipt.accepted
      ? [
          [
            'Counts as of then',
            `by ${receipt.accepted.by}, who had it since ${full(receipt.accepted.handedAt, zone)} and accepted it ${full(receipt.accepted.acceptedAt, zone)}: ${receipt.accepted.reason}`,
          ] as [string, string],
        ]
      : []),
    ['Deadline', full(receipt.deadline, zone)],
    ['Margin', marginSeconds > 0 ? `${margin} before the deadline` : `${margin} after the deadline`],
    ...(receipt.checks.length
      ? [
          [
            'Checks',
            receipt.checks
              .map(
                (c) =>
                  `${checkName(c.id)} ${checkFigure(c)}${c.met ? '' : c.required ? ' (not met)' : ' (advised)'}`,
              )
              .join(' · '),
          ] as [string, string],
        ]
      : []),
    ['Issued', full(receipt.issuedAt, zone)],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 text-[14px]">
      {lines.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd className="min-w-0 font-semibold">{value}</dd>
        </div>
      ))}
      <dt className="text-ink-2">Fingerprint</dt>
      <dd className="min-w-0 font-mono text-[12px] break-all">{receipt.contentSha256}</dd>
    </dl>
  );
}

/** A receipt as a page to print or keep, with the text it is about. */
export function ReceiptSheet(props: {
  receipt: Receipt;
  content: { title: string; doc: Doc };
  signature: string;
  zone: string;
  verifyAt: string;
}) {
  const { receipt, content } = props;
  return (
    <article className="plate mx-auto max-w-[780px] px-5 py-6 sm:px-9 print:border-0">
      <h1 className="text-[24px]">Receipt for a shared {receipt.post.kind}</h1>
      <p className="mt-1 mb-4 text-[13px] text-ink-2">
        Signed by Pulpit. Whoever holds the file can have it verified at {props.verifyAt}, without signing in.
      </p>
      <ReceiptLines receipt={receipt} zone={props.zone} />
      <p className="mt-2 text-[12px] text-ink-2">
        Signature <span className="font-mono break-all">{props.signature}</span>
      </p>
      <p className="mt-4 flex flex-wrap gap-2 print:hidden">
        <a className="btn go" href={receiptFileAt(receipt.post.number, { version: receipt.post.version })}>
          Save the signed file
        </a>
        <PrintButton />
        <a className="btn" href={partAt(receipt.discussion.slug)}>
          Your part
        </a>
      </p>
      <section aria-labelledby="text" className="mt-6 border-t border-rule pt-4">
        <h2 id="text" className="mb-2 text-[16px]">
          The text
        </h2>
        {content.title ? <p className="mb-2 font-serif text-[18px] font-semibold">{content.title}</p> : null}
        <DocumentView doc={content.doc} />
      </section>
    </article>
  );
}
