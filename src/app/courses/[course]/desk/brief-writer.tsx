'use client';

import type { ComponentProps } from 'react';
import { BriefForm } from '@/ui/outside/brief-form';

/** Where the worker is begun: only an entry point may name one. */
const startReader = () =>
  new Worker(new URL('../../../../workers/read-prompt.ts', import.meta.url), { type: 'module' });

type Props = Omit<ComponentProps<typeof BriefForm>, 'writing'> & {
  writing: Omit<NonNullable<ComponentProps<typeof BriefForm>['writing']>, 'startReader'>;
};

/** A prompt of a course while it is written, its brief read out of the prose beside it. */
export const BriefWriter = ({ writing, ...form }: Props) => (
  <BriefForm hosted {...form} writing={{ ...writing, startReader }} />
);
