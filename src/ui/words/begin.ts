import type { FirstStep } from '@/core/desk/first-steps';
import { plural } from './plural';

/** A first step in a course: its name, and how far it is. */
export function firstStepText({ what, done, have, need }: FirstStep): { name: string; line: string } {
  switch (what) {
    case 'sign':
      return {
        name: 'Sign the syllabus',
        line: done ? 'You have signed it.' : 'Read it, then sign at its foot.',
      };
    case 'read':
      return {
        name: 'Read what the first week asks for',
        line: done ? `All ${plural(need, 'reading')} read.` : `${have} of ${plural(need, 'reading')} read.`,
      };
    case 'times':
      return {
        name: 'Say when you have time',
        line: done
          ? 'You have said it; nobody reads it.'
          : 'Groups are made so that people have times in common.',
      };
    case 'respond':
      return {
        name: 'Share your first response',
        line: done ? 'You have shared one.' : 'The prompt is open now.',
      };
  }
}
