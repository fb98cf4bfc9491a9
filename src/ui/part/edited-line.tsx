import { postHistoryAt } from '@/contract/addresses';
import Link from 'next/link';
import { moment } from '../words/time';
import type { JudgedText } from '@/contract/part';

/** Of a text that was changed after sharing: which of its versions is the one that is judged. */
export function EditedLine({ text, slug, zone }: { text: JudgedText; slug: string; zone: string }) {
  if (text.edits === 0) return null;
  return (
    <p className="text-ink-2">
      {text.latest
        ? `Changed ${moment(text.latest.at, zone)}; the text of ${moment(text.sharedAt, zone)} is the one that counts. `
        : `Changed ${moment(text.sharedAt, zone)}; the new text is the one that counts. `}
      <Link className="link" href={postHistoryAt(slug, text.id)}>
        Every version
      </Link>
    </p>
  );
}
