import { fieldsOfSyllabus, syllabusOfFields } from './form';
import { syllabusSchema } from './syllabus';

const syllabus = syllabusSchema.parse({
  late: { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 },
  habits: { response: { weekday: 3, time: '18:00' }, replies: { weekday: 6, time: '10:00' } },
  scale: [
    { grade: 'Distinction', from: 80 },
    { grade: 'Not passed', from: 0 },
  ],
  weights: [
    { what: 'Discussions, weekly', percent: 37.5 },
    { what: 'A plan for one square', percent: 62.5 },
  ],
  contact: { name: 'Prof. Elias Wick', email: 'elias.wick@tidewell.example', answers: 'in a day' },
  officeHours: [{ weekday: 2, from: '09:00', to: '10:30', place: 'Room 2.11, or by telephone' }],
  notes: 'Walk slowly.\n\nAsk.',
});

describe('a syllabus as a form', () => {
  it('comes back as it was', () =>
    expect(syllabusOfFields(fieldsOfSyllabus(syllabus))).toEqual({ ok: true, value: syllabus }));

  it('is read as people write it', () => {
    const read = syllabusOfFields({
      ...fieldsOfSyllabus(syllabus),
      weights: 'Discussions: 40\nNotebook – 60%',
      scale: 'Good, from 50 %\nNot good 0',
      officeHours: 'Tue 9:00-10:30 Room 4',
      responseTime: '9:05',
    });
    expect(read).toMatchObject({
      ok: true,
      value: {
        weights: [
          { what: 'Discussions', percent: 40 },
          { what: 'Notebook', percent: 60 },
        ],
        scale: [
          { grade: 'Good', from: 50 },
          { grade: 'Not good', from: 0 },
        ],
        officeHours: [{ weekday: 2, from: '09:00', to: '10:30', place: 'Room 4' }],
        habits: { response: { time: '09:05' } },
      },
    });
  });

  it('names every line and field that cannot be used', () => {
    const read = syllabusOfFields({
      ...fieldsOfSyllabus(syllabus),
      weights: 'Discussions\nNotebook 140 %',
      scale: '',
      officeHours: 'Someday 9 to 10',
      repliesTime: '25:00',
      contactName: ' ',
    });
    expect(read).toEqual({
      ok: false,
      failure: {
        code: 'syllabus',
        problems: expect.arrayContaining([
          { field: 'weights', code: 'no-line', line: 'Discussions' },
          { field: 'weights', code: 'no-line', line: 'Notebook 140 %' },
          { field: 'scale', code: 'missing' },
          { field: 'officeHours', code: 'no-line', line: 'Someday 9 to 10' },
          { field: 'repliesTime', code: 'no-time' },
          { field: 'contactName', code: 'missing' },
        ]) as unknown,
      },
    });
  });
});
