import { bareWords, parseFind } from '@/core/find/ask';
import type { Passage } from '@/core/find/passage';
import { calledName } from '../words/plural';
import { day } from '../words/time';
import type { FoundView } from './types';

/** One line of what was found: where it leads, and what it says of itself. */
export type Hit = {
  key: string;
  group: 'Places' | 'Discussions and readings' | 'Posts' | 'People';
  href: string;
  title: string;
  line: string;
  passage: Passage;
};

type Place = { title: string; href: string; line: string };
const PLACES: Place[] = [
  { title: 'This week', href: '/', line: 'what you owe and what is next' },
  { title: 'Discussions', href: '/discussions', line: 'every discussion by week' },
  { title: 'Needs me', href: '/discussions?needs=me', line: 'discussions that wait for you' },
  { title: 'Calendar', href: '/calendar', line: 'deadlines by month' },
  { title: 'Agenda', href: '/calendar?view=agenda', line: 'deadlines as a list' },
  { title: 'Plan', href: '/calendar/plan', line: 'when to sit down for it, and how long it takes' },
  { title: 'Other calendars', href: '/calendar/elsewhere', line: 'calendar feed, importing busy times' },
];

const placesOf = (courses: FoundView['courses']): Place[] => [
  ...PLACES,
  ...courses.flatMap((c) => [
    { title: c.code, href: `/courses/${c.slug}`, line: c.title },
    { title: `${c.code} syllabus`, href: `/courses/${c.slug}/syllabus`, line: 'late rule, marks, contact' },
    { title: `${c.code} announcements`, href: `/courses/${c.slug}/announcements`, line: c.title },
    { title: `${c.code} people`, href: `/courses/${c.slug}/people`, line: c.title },
  ]),
];

/** Places whose name or line has a word that begins with each word typed; all the main ones before anything is typed. */
function placeHits(found: FoundView, typed: string): Place[] {
  const { text, from } = parseFind(typed);
  if (from !== null) return [];
  const words = bareWords(text);
  if (words.length === 0) return PLACES;
  return placesOf(found.courses)
    .filter((p) => {
      const own = bareWords(`${p.title} ${p.line}`);
      return words.every((w) => own.some((o) => o.startsWith(w)));
    })
    .slice(0, 6);
}

/** Everything that was found, in the order it is shown and walked through by key. */
export function hitsOf(found: FoundView, typed: string, zone: string): Hit[] {
  return [
    ...placeHits(found, typed).map((p) => ({ ...p, key: p.href, group: 'Places' as const, passage: [] })),
    ...found.texts.map((t) => ({
      key: `${t.kind} ${t.slug}`,
      group: 'Discussions and readings' as const,
      href: t.kind === 'discussion' ? `/discussions/${t.slug}` : `/readings/${t.slug}`,
      title: t.title,
      line: `${t.kind === 'discussion' ? 'Prompt' : 'Reading'} · ${t.course}`,
      passage: t.passage,
    })),
    ...found.posts.map((p) => ({
      key: `post ${p.id}`,
      group: 'Posts' as const,
      href: `/discussions/${p.slug}/conversation?post=${p.id}`,
      title: p.title || `${p.kind === 'response' ? 'Response' : 'Reply'} by ${p.author}`,
      line: `${p.title ? `${p.author} · ` : ''}${p.course}, ${p.discussion} · ${day(p.sharedAt, zone)}`,
      passage: p.passage,
    })),
    ...found.people.map((p) => ({
      key: `person ${p.id}`,
      group: 'People' as const,
      href: `/find?q=${encodeURIComponent(`from:"${p.name.toLowerCase()}"`)}`,
      title: p.name,
      line: `${p.role === 'student' ? p.course.code : `${p.role}, ${p.course.code}`} · posts by ${calledName(p.name)}`,
      passage: [],
    })),
  ];
}
