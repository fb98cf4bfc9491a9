'use client';

import type { ComponentProps } from 'react';
import { TakeIn } from '@/ui/outside/take-in';

/** Where the worker is begun: only an entry point may name one. */
const startReader = () =>
  new Worker(new URL('../../../workers/read-prompt.ts', import.meta.url), { type: 'module' });

export const TakeInPage = (props: Omit<ComponentProps<typeof TakeIn>, 'startReader'>) => (
  <TakeIn {...props} startReader={startReader} />
);
