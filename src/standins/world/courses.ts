import { GEO } from './geo';
import { PLA } from './pla';
import { SND } from './snd';
import type { WorldCourse } from './types';

export const COURSES: WorldCourse[] = [GEO, PLA, SND];

export const ANNOUNCEMENTS: {
  course: string;
  author: string;
  day: number;
  time: string;
  title: string;
  body: string;
}[] = [
  {
    course: 'GEO 115',
    author: 'Dr. Maren Holt',
    day: 1,
    time: '09:05',
    title: 'Field photos for week 6 are up',
    body: 'Forty pictures from the walk along the Amber levees, with the gauge house and the breach of the spring. Look at the line of wrack on the barn wall before you write.',
  },
  {
    course: 'PLA 204',
    author: 'Prof. Elias Wick',
    day: 0,
    time: '11:30',
    title: 'No office hour on Friday',
    body: 'I am at the printers with the second-years. Write to me instead, or come on Monday between ten and noon.',
  },
  {
    course: 'SND 130',
    author: 'Odile Marchetti',
    day: -1,
    time: '18:00',
    title: 'Listen before you look',
    body: 'For this week’s window exercise, please keep your eyes closed for the first two minutes. You will be surprised how long two minutes are.',
  },
];
