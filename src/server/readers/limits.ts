import type { TaskName } from './tasks';

/** How long each may take, in milliseconds: files ten seconds, all else two. */
export const deadlineOf = (task: TaskName) => (task === 'file' || task === 'words' ? 10_000 : 2_000);

/** Tasks whose answer is asked for again with every page, so that it is remembered. */
export const REMEMBERED: ReadonlySet<TaskName> = new Set(['prompt', 'places', 'difference', 'cited']);
