import { responseAt } from '@/contract/addresses';
import Link from 'next/link';

/** Over the correcting of a brief: what to do here, and for a discussion that is there the way back and out. */
export function BriefHead({ title, slug }: { title: string; slug?: string }) {
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 py-3">
      <div className="min-w-0 grow">
        <h1 className="text-[21px] leading-tight">{title}</h1>
        <p className="text-[13px] text-ink-2">
          Each field says which words it was read from. Correct what is wrong, fill in what is missing; an
          empty field asks for nothing.
        </p>
      </div>
      {slug ? (
        <p className="flex flex-wrap items-center gap-2">
          <Link className="btn" href={responseAt(slug)}>
            Back without changes
          </Link>
        </p>
      ) : null}
    </div>
  );
}
