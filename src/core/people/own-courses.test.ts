import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { z } from 'zod';
import { afterWhatTheyAnswer, ownCoursesSchema, readOwnCourses } from './own-courses';

describe('one’s own courses in a file', () => {
  it('have the form that is published', () => {
    const published: unknown = JSON.parse(readFileSync('docs/schemas/own-courses-1.json', 'utf8'));
    expect(z.toJSONSchema(ownCoursesSchema, { unrepresentable: 'any', io: 'input' })).toEqual(published);
  });
  it('are not read out of another file, and not out of a later version', () => {
    expect(readOwnCourses({ format: 'something else', version: 1, courses: [] })).toEqual({
      ok: false,
      failure: { code: 'not-own-courses' },
    });
    expect(readOwnCourses({ format: 'pulpit own courses', version: 2 })).toEqual({
      ok: false,
      failure: { code: 'newer' },
    });
    expect(readOwnCourses({ format: 'pulpit own courses', version: 1, courses: [] })).toMatchObject({
      ok: true,
    });
    expect(readOwnCourses({ format: 'pulpit own courses', version: 1, courses: [{}] })).toMatchObject({
      ok: false,
      failure: { code: 'malformed', where: 'courses.0.code' },
    });
  });
});

describe('posts and what they answer', () => {
  it('come after it, each once, whatever order they have; those in a ring are left out', () => {
    const posts = fc.uniqueArray(fc.integer({ min: 1, max: 30 }), { maxLength: 30 }).chain((numbers) =>
      fc.tuple(
        ...numbers.map((n) =>
          fc.record({
            n: fc.constant(n),
            answers: fc.constantFrom(null, ...numbers.filter((m) => m !== n)),
          }),
        ),
      ),
    );
    fc.assert(
      fc.property(posts, (all) => {
        const ordered = afterWhatTheyAnswer(all);
        const place = new Map(ordered.map((p, i) => [p.n, i]));
        expect(place.size).toBe(ordered.length);
        for (const p of ordered)
          if (p.answers !== null) expect(place.get(p.answers)).toBeLessThan(place.get(p.n) ?? -1);
        const over = new Map(all.map((p) => [p.n, p.answers]));
        const isRooted = (n: number) => {
          let at: number | null = n;
          for (let steps = 0; at !== null && steps <= all.length; steps += 1) at = over.get(at) ?? null;
          return at === null;
        };
        expect(ordered.length).toBe(all.filter((p) => isRooted(p.n)).length);
      }),
    );
  });
});
