import type { KeyboardEvent } from 'react';

const STEPS = {
  across: { ArrowRight: 1, ArrowLeft: -1 },
  down: { ArrowDown: 1, ArrowUp: -1 },
} as const;

/**
 * Moves the focus among the stops of a toolbar or menu while its key is handled. The package does so a turn later, and on a busy
 * machine Enter comes before: it would press the tool that was left.
 */
export const moveAtOnce = (way: keyof typeof STEPS) => (e: KeyboardEvent<HTMLElement>) => {
  if (e.ctrlKey || e.metaKey || e.altKey || e.shiftKey) return;
  const items = [
    ...e.currentTarget.querySelectorAll<HTMLElement>(
      '[data-radix-collection-item]:not([data-disabled]):not(:disabled)',
    ),
    // An open menu of a tool is a group of its own.
  ].filter((item) => item.closest('[role=menu], [role=toolbar]') === e.currentTarget);
  const at = items.indexOf(e.target as HTMLElement);
  const steps: Partial<Record<string, number>> = STEPS[way];
  const step = steps[e.key];
  const edge = e.key === 'Home' ? 0 : e.key === 'End' ? items.length - 1 : null;
  if (at < 0 || (step === undefined && edge === null)) return;
  e.preventDefault();
  e.stopPropagation();
  items[edge ?? (at + (step ?? 0) + items.length) % items.length]?.focus();
};
