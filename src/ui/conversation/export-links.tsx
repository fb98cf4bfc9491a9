import { exportsAt } from '@/contract/addresses';
import { FileDown } from 'lucide-react';
import Link from 'next/link';

/** The conversation as something to keep or to be told of elsewhere. */
export function ExportLinks({ slug }: { slug: string }) {
  return (
    <Link
      className="inline-flex min-h-8 items-center gap-1.5 rounded-[6px] px-2 text-[12.5px] font-semibold text-ink-2 hover:underline"
      href={exportsAt(slug)}
    >
      <FileDown size={14} aria-hidden /> <span className="max-sm:sr-only">Take along</span>
    </Link>
  );
}
