import {
  announcementsAt,
  calendarAt,
  conversationAt,
  courseAt,
  discussionAt,
  discussionsAt,
  elsewhereAt,
  findAt,
  peopleAt,
  planAt,
  readingAt,
  syllabusAt,
} from '@/contract/addresses';
import { bareWords, parseFind } from '@/core/find/ask';
import type { Passage } from '@/core/find/passage';
import { calledName } from '../words/plural';
import { day } from '../words/time';
import type { FoundThings } from '@/contract/find';

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
  { title: 'Discussions', href: discussionsAt(), line: 'every discussion by week' },
  { title: 'Needs me', href: discussionsAt({ needs: 'me' }), line: 'discussions that wait for you' },
  { title: 'Calendar', href: calendarAt(), line: 'deadlines by month' },
  { title: 'Agenda', href: calendarAt({ view: 'agenda' }), line: 'deadlines as a list' },
  { title: 'Plan', href: planAt(), line: 'when to sit down for it, and how long it takes' },
  { title: 'Other calendars', href: elsewhereAt(), line: 'calendar feed, importing busy times' },
];

const placesOf = (courses: FoundThings['courses']): Place[] => [
  ...PLACES,
  ...courses.flatMap((c) => [
    { title: c.code, href: courseAt(c.slug), line: c.title },
    { title: `${c.code} syllabus`, href: syllabusAt(c.slug), line: 'late rule, marks, contact' },
    { title: `${c.code} announcements`, href: announcementsAt(c.slug), line: c.title },
    { title: `${c.code} people`, href: peopleAt(c.slug), line: c.title },
  ]),
];

/** Places whose name or line has a word that begins with each word typed; all the main ones before anything is typed. */
function placeHits(found: FoundThings, typed: string): Place[] {
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
export function hitsOf(found: FoundThings, typed: string, zone: string): Hit[] {
  return [
    ...placeHits(found, typed).map((p) => ({ ...p, key: p.href, group: 'Places' as const, passage: [] })),
    ...found.texts.map((t) => ({
      key: `${t.kind} ${t.slug}`,
      group: 'Discussions and readings' as const,
      href: t.kind === 'discussion' ? discussionAt(t.slug) : readingAt(t.slug),
      title: t.title,
      line: `${t.kind === 'discussion' ? 'Prompt' : 'Reading'} · ${t.course}`,
      passage: t.passage,
    })),
    ...found.posts.map((p) => ({
      key: `post ${p.id}`,
      group: 'Posts' as const,
      href: conversationAt(p.slug, { post: p.id }),
      title: p.title || `${p.kind === 'response' ? 'Response' : 'Reply'} by ${p.author}`,
      line: `${p.title ? `${p.author} · ` : ''}${p.course}, ${p.discussion} · ${day(p.sharedAt, zone)}`,
      passage: p.passage,
    })),
    ...found.people.map((p) => ({
      key: `person ${p.id}`,
      group: 'People' as const,
      href: findAt({ q: `from:"${p.name.toLowerCase()}"` }),
      title: p.name,
      line: `${p.role === 'student' ? p.course.code : `${p.role}, ${p.course.code}`} · posts by ${calledName(p.name)}`,
      passage: [],
    })),
  ];
}
