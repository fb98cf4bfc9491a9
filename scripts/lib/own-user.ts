import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { isRoot, reachableByAll, ROOT } from './places';
import { output } from './run';

/** The user that Pulpit's processes run as where root starts them. */
const USER = 'pulpit';

const idOf = (flag: '-u' | '-g'): number | null => {
  const said = spawnSync('id', [flag, USER], { encoding: 'utf8' });
  return said.status === 0 ? Number(said.stdout) : null;
};

/**
 * As whom the processes that serve people run: as themselves, or, where root starts them, as a user of their own who owns nothing but
 * what people bring. Root they stay only where that user cannot even walk down to the project.
 *
 * @param folders what they write into: made, and given to that user
 */
export function ownUser(folders: readonly string[]): { uid?: number; gid?: number } {
  for (const folder of folders) mkdirSync(folder, { recursive: true });
  if (!isRoot() || !reachableByAll(ROOT)) return {};
  if (idOf('-u') === null)
    spawnSync('useradd', ['--system', '--no-create-home', '--shell', '/usr/sbin/nologin', USER]);
  const [uid, gid] = [idOf('-u'), idOf('-g')];
  if (uid === null || gid === null) return {};
  output('chown', ['-R', `${uid}:${gid}`, ...folders]);
  return { uid, gid };
}
