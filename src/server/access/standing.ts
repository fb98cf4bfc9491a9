import type { Standing } from '@/core/access/acts';
import type { Role } from '@/core/ids';
import { courseStanding, type Membership } from '@/db/queries/standing';
import type { Actor, Deps } from '../deps';

const PLACE = /^\/(discussions|readings|courses)\/([^/]+)/u;

/** An address's name as it was written before it was put there; itself where it is none. */
function unescaped(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}

const STANDING_OF: Record<Role, Standing> = {
  student: 'student',
  observer: 'observer',
  assistant: 'staff',
  instructor: 'staff',
};

const standingsOf = ({ role, owner }: Membership): Standing[] => [
  'person',
  STANDING_OF[role],
  ...(owner ? (['owner'] as const) : []),
];

/** Who somebody is at the discussion, reading or course that an address names; only a person where they are in none such. */
export async function standingsAt(deps: Deps, actor: Actor, address: string): Promise<Standing[]> {
  const [, kind, name] = PLACE.exec(address) ?? [];
  if (!kind || !name) return ['person'];
  const found = await courseStanding(deps.db, actor.id, kind as 'discussions', unescaped(name));
  return found ? standingsOf(found) : ['person'];
}
