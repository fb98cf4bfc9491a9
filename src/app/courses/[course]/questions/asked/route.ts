import { z } from 'zod';
import { questionAt, questionsAt } from '@/contract/addresses';
import { asking } from '@/contract/questions';
import { typedWall } from '@/core/deadlines/typed';
import { documentFromText } from '@/core/document/compose';
import { handsSchema } from '@/core/questions/hands';
import { meetingSchema } from '@/core/questions/meeting';
import { keepDraft } from '@/server/drafts/keep';
import { LINE_BEGUN } from '@/server/posts/share';
import { askQuestion } from '@/server/questions/ask';
import { enterQuestions } from '@/server/questions/questions';
import { byContent, form, json } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';
import { askedOf } from '../query';

const fieldsSchema = z.object({
  submission: z.uuid(),
  base: z.coerce.number().int().min(0).default(0),
  title: z.string().max(200).default(''),
  text: z.string().default(''),
  do: z.enum(['keep', 'share']).default('share'),
});

const handsIn = (fields: URLSearchParams) =>
  handsSchema.safeParse({
    choices: (fields.get('choices') ?? '')
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
    several: fields.get('several') === 'yes',
    named: fields.get('named') === 'yes',
    shown: fields.get('shown') ?? 'voted',
    closes: typedWall(fields.get('closes') ?? ''),
  }).data ?? null;

const meetingIn = (fields: URLSearchParams) =>
  meetingSchema.safeParse({
    starts: typedWall(fields.get('starts') ?? ''),
    minutes: Number(fields.get('minutes')),
    place: fields.get('place') ?? '',
    slots: Number(fields.get('slots') ?? 0),
  }).data ?? null;

/** The fields of a show of hands, and of an hour to meet. */
const BESIDE = [
  'choices',
  'several',
  'named',
  'shown',
  'closes',
  'starts',
  'minutes',
  'place',
  'slots',
] as const;

/** Asks a course something, or tells it: as JSON from the editor, or as the plain form that works without scripts. */
export const POST = byContent(
  json('ask the course', asking, ({ who, params, input }) =>
    askQuestion(who.deps, who.actor, params.course, input),
  ),
  form<'course'>(
    'ask the course',
    ({ course }) => questionsAt(course),
    async ({ who, params: { course }, fields }) => {
      const { ask } = askedOf(Object.fromEntries(fields));
      const read = fieldsSchema.safeParse(Object.fromEntries(fields));
      const back = (answer: string) =>
        seeOther(
          questionsAt(course, {
            ask: fields.get('ask'),
            to: fields.get('to'),
            name: fields.get('name'),
            about: fields.get('about') || null,
            answer,
            // What stands beside the text is not kept with the draft, and must not be lost either.
            ...Object.fromEntries(BESIDE.map((name) => [name, fields.get(name)])),
          }),
        );
      if (!ask || !read.success) return back('document-malformed');
      const { submission, base, title, text } = read.data;
      const doc = documentFromText(text);
      const door = await enterQuestions(who.deps, who.actor, course);
      if (!door.ok) return back(door.failure.code);
      // Kept before it is asked: whatever stands against that, the words are there.
      const place = ask.kind === 'line' ? LINE_BEGUN : ({ kind: 'response', parent: null } as const);
      const draft = { ...place, submission, title, doc, base, conflict: 'replace' as const };
      const kept = await keepDraft(who.deps, who.actor, door.value.entered.record.slug, draft);
      if (!kept.ok && kept.failure.code !== 'already-shared') return back(kept.failure.code);
      if (read.data.do === 'keep') return back('kept');
      const done = await askQuestion(who.deps, who.actor, course, {
        submission,
        title,
        doc,
        asking: ask,
        hands: handsIn(fields),
        meets: meetingIn(fields),
      });
      return done.ok ? seeOther(questionAt(course, done.value.number)) : back(done.failure.code);
    },
  ),
);
