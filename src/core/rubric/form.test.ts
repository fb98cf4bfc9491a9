import fc from 'fast-check';
import { briefSchema } from '../brief/brief';
import { formOfRubric, rubricOfForm } from './form';
import { proposeRubric } from './propose';
import { pointsOf, rubricSchema } from './rubric';

const brief = (points?: number) =>
  briefSchema.parse({
    parts: [
      { id: 'p1', text: 'What?' },
      { id: 'p2', text: 'Why?' },
    ],
    response: { words: { min: 250 }, sources: { min: 1 } },
    replies: { count: 2 },
    points,
  });

describe('a rubric’s form', () => {
  it('comes back as the rubric it was filled in from', () => {
    const word = fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,20}[a-z]$/u).map((t) => t.replace(/\s+/gu, ' '));
    const level = fc.record({ title: word, text: word, points: fc.integer({ min: 0, max: 999 }) });
    const criterion = fc.record({
      id: fc.stringMatching(/^[a-z][a-z0-9-]{0,20}[a-z0-9]$/u),
      title: word,
      levels: fc.array(level, { minLength: 2, maxLength: 6 }),
      checks: fc.subarray(['words', 'parts', 'sources'] as const),
    });
    const rubric = fc.uniqueArray(criterion, { minLength: 1, maxLength: 12, selector: (c) => c.id });
    fc.assert(
      fc.property(rubric, (criteria) => {
        expect(
          rubricOfForm(formOfRubric({ criteria: criteria.map((c) => ({ ...c, checks: [...c.checks] })) })),
        ).toEqual({
          ok: true,
          value: { criteria },
        });
      }),
    );
  });

  it('leaves out what was left empty, and gives every criterion a name of its own', () => {
    const read = rubricOfForm({
      'c1.title': 'Ideas',
      'c1.0.title': 'Many',
      'c1.0.points': '4',
      'c1.3.title': 'Few',
      'c1.3.points': '1,5',
      'c2.title': 'Ideas',
      'c2.0.title': 'Many',
      'c2.0.points': '4',
      'c2.1.title': 'Few',
      'c2.1.points': '0',
    });
    expect(read).toMatchObject({
      value: { criteria: [{ id: 'ideas', levels: [{ points: 4 }, { points: 1.5 }] }, { id: 'ideas-2' }] },
    });
  });

  it('names each criterion that cannot be', () => {
    const read = rubricOfForm({
      'c0.0.title': 'Many',
      'c0.0.points': '4',
      'c1.title': 'Ideas',
      'c1.0.title': 'Many',
      'c1.0.points': '4',
      'c2.title': 'Form',
      'c2.0.title': 'Good',
      'c2.0.points': 'four',
      'c2.1.title': 'Bad',
      'c2.1.points': '0',
      'c3.title': 'x'.repeat(130),
      'c3.0.title': 'Good',
      'c3.0.points': '1',
      'c3.1.title': 'Bad',
      'c3.1.points': '0',
    });
    expect(read).toMatchObject({
      failure: {
        problems: [
          { criterion: 0, code: 'untitled' },
          { criterion: 1, code: 'few-levels' },
          { criterion: 2, code: 'no-points' },
          { criterion: 3, code: 'too-long' },
        ],
      },
    });
    expect(rubricOfForm({}).ok).toBe(false);
  });
});

describe('a rubric that goes with a brief', () => {
  it('has a criterion for what the brief asks, and its checks', () => {
    expect(proposeRubric(brief()).criteria.map((c) => [c.id, c.checks])).toEqual([
      ['question', ['parts']],
      ['thought', []],
      ['evidence', ['sources']],
      ['form', ['words']],
      ['replies', []],
    ]);
    const plain = briefSchema.parse({ response: {}, replies: { count: 0 } });
    expect(proposeRubric(plain).criteria.map((c) => c.id)).toEqual(['question', 'thought']);
  });

  it('is worth the brief’s points, and can be kept', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 300 }), (points) => {
        const rubric = proposeRubric(brief(points));
        expect(rubricSchema.safeParse(rubric).success).toBe(true);
        expect(pointsOf(rubric, {}).of).toBe(points);
      }),
    );
  });
});
