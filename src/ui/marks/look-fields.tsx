import type { MarkingLook } from '@/contract/marks';
import { lookQuery } from './address';

/** How the page is looked at, in a form that comes back to it. */
export const LookFields = ({ look }: { look: MarkingLook }) =>
  Object.entries(lookQuery(look)).map(([name, value]) =>
    value ? <input key={name} type="hidden" name={name} value={value} /> : null,
  );
