import 'server-only';
import { notFound } from 'next/navigation';
import { isInCourse, mayDo, type Act, type Standing } from '@/core/access/acts';
import { standingsAt } from '@/server/access/standing';
import { requireVisitor, type Visitor } from './session';

/** Whether the table of acts lets somebody do this, by who they are at the place that an address names. */
export async function mayAt(act: Act, { deps, actor, steward }: Visitor, path: string): Promise<boolean> {
  const standings: Standing[] = steward ? ['person', 'steward'] : ['person'];
  return mayDo(act, isInCourse(act) ? await standingsAt(deps, actor, path) : standings);
}

/**
 * Who does something by a form that a page sends to the server's own code: somebody signed in, whom the table of acts lets do this at the
 * page's address. Others sign in first, or find nothing.
 */
export async function acting(act: Act, here: string): Promise<Visitor> {
  const who = await requireVisitor(here);
  if (!(await mayAt(act, who, here.split('?')[0] ?? here))) notFound();
  return who;
}
