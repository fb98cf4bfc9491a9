'use client';

import { TakeIn, type Waiting } from '@/ui/outside/take-in';
import type { Trouble } from '@/ui/words/outside';

/** Where the worker is begun: only an entry point may name one. */
const startReader = () =>
  new Worker(new URL('../../../workers/read-prompt.ts', import.meta.url), { type: 'module' });

export const TakeInPage = (props: {
  action: string;
  week?: number | null;
  title: string;
  lead: string;
  troubles: Trouble[];
  waiting: Waiting[];
  zone: string;
}) => <TakeIn {...props} startReader={startReader} />;
