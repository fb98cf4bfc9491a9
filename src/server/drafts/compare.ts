import type { Compared } from '@/core/drafts/difference';
import type { Doc } from '@/core/document/nodes';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';

type Text = { title: string; doc: Doc };

/** Two texts word by word; null for two so different and so long that they cannot be compared in the time there is. */
export async function compareFor(
  deps: Deps,
  actor: Actor,
  first: Text,
  second: Text,
  brief: boolean,
): Promise<Compared | null> {
  const pick = ({ title, doc }: Text) => ({ title, doc });
  const read = await readFor(deps, actor, 'difference', { first: pick(first), second: pick(second), brief });
  return read.ok ? read.value : null;
}
