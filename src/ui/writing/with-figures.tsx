'use client';

import type { Checked } from '@/core/checks/check-draft';
import type { Check } from '@/core/checks/types';
import type { ReactNode } from 'react';
import { shortfall } from '../words/checks';
import { list } from '../words/plural';
import type { LiveChecks } from './live-checks';
import { useFigures } from './use-checks';

/** What is said of a draft's checks. Only this is drawn again when a figure changes, not the page one writes on. */
export function WithFigures(props: { live: LiveChecks; children: (checked: Checked) => ReactNode }) {
  return props.children(useFigures(props.live));
}

/** What the prompt requires and the draft does not have. */
export const lacking = (checks: readonly Check[]) => checks.filter((c) => c.required && !c.met);

/** The same as a sentence, beside what was posted elsewhere. */
export const LackingLine = ({ live }: { live: LiveChecks }) => (
  <WithFigures live={live}>
    {({ checks }) =>
      lacking(checks).length ? (
        <p className="mt-1">By the checks it has {list(lacking(checks).map(shortfall))}.</p>
      ) : null
    }
  </WithFigures>
);
