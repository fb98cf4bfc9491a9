import { readConfig } from '@/runtime/config';
import { filesOf } from '@/runtime/files';
import { filesFolder } from './web';

/** Where the files of the started installation lie, by the same settings as its processes have. */
export const ownFiles = (databaseUrl: string) =>
  filesOf(readConfig({ PULPIT_FILES: filesFolder('demo'), ...process.env, DATABASE_URL: databaseUrl }));
