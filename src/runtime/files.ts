import { resolve } from 'node:path';
import { folderStore } from '@/server/files/folder-store';
import { objectStore } from '@/server/files/object-store';
import type { FileStore } from '@/server/files/store';
import type { Config } from './config';

/** Where this installation's files lie: a folder, or an object store with a folder for what is on its way in. */
export function filesOf({ filesFolder, objectStore: objects }: Config): FileStore {
  const folder = folderStore(resolve(filesFolder));
  return objects ? objectStore(objects, folder) : folder;
}
