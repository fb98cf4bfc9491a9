import type { BookWords } from '@/contract/course';
import { deadlineText } from './deadlines';

/** The words of a week's book. */
export const bookWords: BookWords = {
  title: (course, week, title) => `${course}, week ${week}: ${title}`,
  overview: 'What this week is about',
  prompt: ({ zone, response, replies }) =>
    `Response ${deadlineText(response, zone)} · replies ${deadlineText(replies, zone)}`,
};
