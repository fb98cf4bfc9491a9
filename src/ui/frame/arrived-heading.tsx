'use client';

import { useEffect, useRef, type ReactNode } from 'react';

/**
 * A heading that says that what somebody just did went through. Wherever the page stood before, the eye and the screen
 * reader are taken to it; not where the page is only opened again.
 */
export function ArrivedHeading(props: {
  id: string;
  arrived: boolean;
  className: string;
  children: ReactNode;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  const { arrived } = props;
  useEffect(() => {
    if (arrived) heading.current?.focus();
  }, [arrived]);
  return (
    <h2
      id={props.id}
      ref={heading}
      tabIndex={arrived ? -1 : undefined}
      className={`scroll-mt-28 outline-none ${props.className}`}
    >
      {props.children}
    </h2>
  );
}
