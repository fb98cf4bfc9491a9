import Link from 'next/link';

export const metadata = { title: 'Not found' };

export default function NotFound() {
  return (
    <main id="main" className="mx-auto max-w-[640px] px-6 py-16">
      <h1 className="text-[24px]">There is nothing at this address</h1>
      <p className="mt-2 text-[16px] text-ink-2">
        The address may be mistyped, or it leads to a course you are not enrolled in.
      </p>
      <p className="mt-6">
        <Link className="btn go" href="/">
          To This week
        </Link>
      </p>
    </main>
  );
}
