import type { TaskName } from './tasks';

/** Tasks that read a whole file or page. */
const WHOLE: ReadonlySet<TaskName> = new Set([
  'file',
  'words',
  'pasted',
  'discussion',
  'roster',
  'marks',
  'cartridge',
  'mail',
  'term',
  'archive',
]);

/** How long each may take, in milliseconds: whole files and pasted pages ten seconds, all else two. */
export const deadlineOf = (task: TaskName) => (WHOLE.has(task) ? 10_000 : 2_000);

/** Tasks whose answer is asked for again with every page, so that it is remembered. */
export const REMEMBERED: ReadonlySet<TaskName> = new Set([
  'prompt',
  'places',
  'difference',
  'cited',
  'substance',
  'meanings',
]);
