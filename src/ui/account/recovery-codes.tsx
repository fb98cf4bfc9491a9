'use client';

import { useEffect, useRef } from 'react';

/** Recovery codes, told once: the place to copy or print them is here. */
export function RecoveryCodes({
  codes,
  rank: Heading,
}: {
  codes: readonly string[];
  /** Of its heading, by what it stands under. */
  rank: 'h2' | 'h3';
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <div className="grid gap-3 rounded-control bg-pine-tint px-4 py-3">
      <Heading ref={heading} tabIndex={-1} className="text-[16px]">
        Your recovery codes
      </Heading>
      <p>
        Each lets you in once without your authenticator. They are shown this one time: write them down or
        keep them where you keep passwords.
      </p>
      <ul className="grid grid-cols-1 gap-x-6 gap-y-1 font-mono text-[15px] sm:grid-cols-2">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <p>
        <button
          type="button"
          className="btn"
          onClick={() => void navigator.clipboard.writeText(`${codes.join('\n')}\n`)}
        >
          Copy them
        </button>
      </p>
    </div>
  );
}
