import { documentOf } from '../formats/as-document';
import { documentFromHtml } from '../formats/from-html';
import { courseNamed, typedName } from './course-name';
import { momentSaid } from './dates';
import type { Fields } from './fields';
import { fieldsOfRules } from './fields-of-rules';
import { rulesOfFields } from './rules-of-fields';
import { suggestBrief } from './suggest';

const NOW = '2026-11-24T09:00';

describe('a deadline that a prompt says', () => {
  it('is the first such weekday from now on, today included, and 23:59 where no time is said', () => {
    expect(momentSaid({ weekday: 'thu' }, NOW)).toBe('2026-11-26T23:59');
    expect(momentSaid({ weekday: 'tue', time: '18:00' }, NOW)).toBe('2026-11-24T18:00');
    expect(momentSaid({ weekday: 'tue', time: '08:00' }, NOW)).toBe('2026-12-01T08:00');
  });
  it('is the date in the year in which it is due, over the turn of the year too', () => {
    expect(momentSaid({ date: '12-03', time: '12:00' }, NOW)).toBe('2026-12-03T12:00');
    expect(momentSaid({ date: '01-08' }, NOW)).toBe('2027-01-08T23:59');
    expect(momentSaid({ date: '10-30' }, NOW)).toBe('2026-10-30T23:59');
  });
  it('is none where no day is said, or one that there is not', () => {
    expect(momentSaid({ time: '12:00' }, NOW)).toBeNull();
    expect(momentSaid({ date: '02-30' }, NOW)).toBeNull();
  });
});

describe('a prompt that is brought in', () => {
  const read = (text: string) => suggestBrief(documentOf(text), NOW);

  it('is read into fields, each with the words it was read from', () => {
    const { fields, evidence, also } = read(
      'Week 5: Rivers\n\nIn 200 words: (a) say who decides, and (b) say who pays. Add a picture. Post by Thursday noon, then answer two classmates by Sunday. Late posts lose 5% a day for up to 2 days.',
    );
    expect(fields).toMatchObject({
      title: 'Week 5: Rivers',
      week: '5',
      'response.words.min': '200',
      parts: 'say who decides\nsay who pays',
      'replies.count': '2',
      'replies.distinctPeers': 'on',
      responseDue: '2026-11-26T12:00',
      repliesDue: '2026-11-29T23:59',
      late: 'penalty',
      'late.percent': '5',
      'late.days': '2',
    });
    expect(evidence['response.words.min']?.[0]?.quote).toBe('200 words');
    expect(fields['response.media.image']).toBe('1');
    expect(also).toEqual([]);
  });

  it('shows both of what contradicts itself', () => {
    const { fields, otherwise } = read(
      'Write at least 250 words.\n\nChecklist:\n- my response has at least 300 words\n- reply to one classmate',
    );
    const said = [
      fields['response.words.min'],
      ...otherwise.filter((o) => o.field === 'response.words.min').map((o) => o.value),
    ];
    expect(said.sort()).toEqual(['250', '300']);
  });

  it('is worth what all criteria of its rubric come to, unless its text says it', () => {
    const rubric =
      '<table><tr><td>Criteria</td><td>Full (4 pts)</td><td>Part (2 pts)</td></tr><tr><td>Depth</td><td>Goes beyond the chapter</td><td>Repeats the chapter</td></tr><tr><td>Replies</td><td>Adds a new thought</td><td>Agrees and says why</td></tr></table>';
    const worth = (before: string) =>
      suggestBrief(documentFromHtml(`<p>Why do rivers bend?${before}</p>${rubric}`), NOW).fields.points;
    expect(worth('')).toBe('8');
    expect(worth(' This discussion is worth 20 points.')).toBe('20');
    expect(worth(' This discussion is worth 4 points.')).toBe('4');
  });

  it('asks for nothing where the text does not', () => {
    const { fields, otherwise, also } = read('Welcome to the café. Say hello if you like.');
    expect(Object.keys(fields).sort()).toEqual(['title', 'week']);
    expect([...otherwise, ...also]).toEqual([]);
  });
});

describe('the fields of a brief', () => {
  const fine: Fields = {
    title: 'Who decides?',
    course: 'FOR 220 Forest Policy',
    zone: 'Europe/London',
    responseDue: '2026-11-26T23:59',
    repliesDue: '2026-11-29T18:00',
    late: 'penalty',
    'late.percent': '5',
    'late.days': '2',
    parts: 'Who decides?\nWho pays?',
    concepts: 'commons\nstewardship / care',
    'response.words.min': '250',
    'response.words.max': '300',
    'response.concepts.min': '2',
    'replies.count': '2',
    'replies.distinctPeers': 'on',
    sealed: 'on',
  };
  const wrong = (over: Fields) => {
    const read = rulesOfFields({ ...fine, ...over });
    return read.ok ? [] : read.failure.problems.map((p) => `${p.field} ${p.code}`);
  };

  it('come back as they were', () => {
    const read = rulesOfFields(fine);
    expect(read.ok && rulesOfFields(fieldsOfRules(read.value))).toEqual(read);
  });

  it('name every field that is wrong, and why', () => {
    expect(wrong({ title: ' ', responseDue: '' })).toEqual(['title missing', 'responseDue missing']);
    expect(wrong({ 'response.words.min': '2.5', 'replies.count': '21' })).toEqual([
      'replies.count no-number',
      'response.words.min no-number',
    ]);
    expect(wrong({ 'response.words.max': '200' })).toEqual(['response.words.max under-minimum']);
    expect(wrong({ repliesDue: '2026-11-25T10:00' })).toEqual(['repliesDue before-response']);
    expect(wrong({ responseDue: '2026-13-40T99:99' })).toEqual(['responseDue no-time']);
    expect(wrong({ zone: 'Mars/Olympus' })).toEqual(['zone no-zone']);
    expect(wrong({ parts: 'x\n'.repeat(13) })).toEqual(['parts too-many']);
    expect(wrong({ 'replies.distinctDays': '1' })).toEqual(['replies.distinctDays one-day']);
  });

  it('look for ideas only where they are named, and for no more than are', () => {
    const ideas = (over: Fields) => {
      const read = rulesOfFields({ ...fine, ...over });
      return read.ok && read.value.brief.response.concepts;
    };
    expect(ideas({ concepts: '' })).toBeUndefined();
    expect(ideas({ 'response.concepts.min': '5' })).toEqual({ min: 2 });
  });

  it('need no second deadline where no replies are owed', () => {
    const read = rulesOfFields({ ...fine, 'replies.count': '', repliesDue: '' });
    expect(read.ok && read.value.repliesDue).toBe(fine.responseDue);
  });
});

describe('a course’s name', () => {
  it('is a code and a title, however it is typed', () => {
    expect(courseNamed('BIO 210 Cell Biology')).toEqual({ code: 'BIO 210', title: 'Cell Biology' });
    expect(courseNamed('bio210: Cells')).toEqual({ code: 'bio210', title: 'Cells' });
    expect(courseNamed('Forest Policy').code).toBe('Forest Policy');
    expect(courseNamed('An Introduction to Everything').code).toBe('An Introduction');
  });
  it('is typed again as it was', () => {
    for (const name of ['BIO 210 Cell Biology', 'Forest Policy', 'An Introduction to Everything', 'BIO 210'])
      expect(typedName(courseNamed(name))).toBe(name);
  });
});
