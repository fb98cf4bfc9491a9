import { at, response as made, schedule } from '../../../tests/fixtures/build';
import { sealFor, sealOpensAt } from './seal';

const rule = { sealed: true, opensWithAny: false };
const short = (when: string) => ({ at: at(when), unmet: ['words' as const] });
const met = (when: string) => ({ at: at(when), unmet: [] });
const response = (over: object) => made(1, 'Tue 10:00', over);
const seal = (posts: ReturnType<typeof made>[], now: string, over: object = {}) =>
  sealFor({ rule, posts, schedule: schedule(), now: at(now), ...over });

describe('the seal (rule 4)', () => {
  it('holds until one has shared a response that meets what is required', () => {
    expect(seal([], 'Tue 12:00')).toEqual({ because: 'no-response', opens: null });
    expect(seal([response({ versions: [met('Tue 10:00')] })], 'Tue 12:00')).toBeNull();
  });
  it('holds behind a short response, and says when it opens all the same', () => {
    const posts = [response({ versions: [short('Tue 10:00')] })];
    expect(seal(posts, 'Tue 12:00')).toEqual({ because: 'short', opens: schedule().response.due });
    expect(sealFor({ rule, posts, schedule: schedule(), now: schedule().response.due })).toBeNull();
  });
  it('opens when a short response is completed, and does not close again', () => {
    const posts = [response({ versions: [short('Tue 10:00'), met('Wed 09:00'), short('Wed 10:00')] })];
    expect(sealOpensAt({ rule, posts, schedule: schedule() })).toBe(at('Wed 09:00'));
    expect(seal(posts, 'Wed 11:00')).toBeNull();
  });
  it('opens with any response where the brief says so', () => {
    const any = { rule: { sealed: true, opensWithAny: true } };
    expect(seal([response({ versions: [short('Tue 10:00')] })], 'Tue 12:00', any)).toBeNull();
  });
  it('is not opened by what was withdrawn: a dot shared and taken back opens nothing', () => {
    const posts = [response({ versions: [met('Tue 10:00')], withdrawn: true })];
    expect(seal(posts, 'Fri 09:00')).toEqual({ because: 'no-response', opens: null });
  });
  it('stays open for whose response staff have hidden', () => {
    expect(seal([response({ versions: [met('Tue 10:00')], hidden: true })], 'Tue 12:00')).toBeNull();
  });
  it('opens for reading when nothing more can be shared, and is not there where the brief has none', () => {
    expect(sealFor({ rule, posts: [], schedule: schedule(), now: schedule().closes })).toBeNull();
    expect(seal([], 'Tue 12:00', { rule: { sealed: false, opensWithAny: false } })).toBeNull();
  });
});
