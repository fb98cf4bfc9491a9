'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { promptChangesAt } from '@/contract/addresses';
import { whatIsAsked } from '@/contract/discussion';
import { lookWhileInSight } from '../frame/in-sight';
import { call } from '../request/call';

const EVERY_MS = 30_000;

/** Tells whoever has a discussion's page open when what is asked there, or by when, was changed meanwhile: nothing moves under their hands. */
export function AskedWatch({ slug, stamp }: { slug: string; stamp: string }) {
  const router = useRouter();
  const [other, setOther] = useState(false);
  useEffect(() => {
    let gone = false;
    const stop = lookWhileInSight(EVERY_MS, () => {
      void call(whatIsAsked, { slug }, null).then((answer) => {
        if (!gone && answer.ok) setOther(answer.value.stamp !== stamp);
      });
    });
    return () => {
      gone = true;
      stop();
    };
  }, [slug, stamp]);
  return (
    <p
      role="status"
      className={other ? 'w-full rounded-control bg-ochre-tint px-3 py-2 font-medium' : 'sr-only'}
    >
      {other ? (
        <>
          What is asked here, or by when, was changed just now.{' '}
          <button type="button" className="link min-h-6" onClick={() => router.refresh()}>
            Show it as it is now
          </button>{' '}
          <Link className="link" href={promptChangesAt(slug)}>
            What was changed
          </Link>
        </>
      ) : null}
    </p>
  );
}
