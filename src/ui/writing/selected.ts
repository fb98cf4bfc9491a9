import type { Checked } from '@/core/checks/check-draft';
import type { CheckId } from '@/core/brief/brief';
import type { Evidence } from '@/core/checks/types';
import type { FacetKind } from '@/core/substance/facets';

/** What is pressed at the foot of a draft to see in the text what it rests on: a check, or something a reply does. */
export type Selected = CheckId | `does ${FacetKind}`;

export const evidenceOf = (checked: Checked, selected: Selected): Evidence[] =>
  (selected.startsWith('does ')
    ? checked.substance?.doing.find((d) => `does ${d.kind}` === selected)?.evidence
    : checked.checks.find((c) => c.id === selected)?.evidence) ?? [];
