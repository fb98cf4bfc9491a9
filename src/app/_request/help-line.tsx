import 'server-only';
import { theCollege } from '@/server/stewards/college';
import { Help } from '@/ui/people/help';
import { app } from '@/runtime/app';

/** Where help is found, as the stewards say it; nothing where they have said nothing, or nobody can be asked. */
export async function HelpLine() {
  const college = await theCollege(app()).catch(() => null);
  return college ? <Help college={college} /> : null;
}
