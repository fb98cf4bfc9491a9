import { ensureBuild } from '../lib/build';
import { say } from '../lib/say';

export const help = `./pulpit build

Builds the application, where that has not been done yet, and says into which folder. ./pulpit start does it by itself.`;

export function run(): Promise<number> {
  say(`Built: ${ensureBuild(null)}`);
  return Promise.resolve(0);
}
