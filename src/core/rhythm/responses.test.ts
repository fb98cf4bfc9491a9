import { discussionId, instant, personId, postId } from '../ids';
import { responsesHeard, type RhythmPost } from './responses';

const person = (n: number) => personId(`00000000-0000-4000-8000-00000000000${n}`);
const [imani, noor, holt] = [person(1), person(2), person(3)] as const;
const students = new Set([imani, noor]);
const place = { discussion: discussionId('10000000-0000-4000-8000-000000000000') };
const post = (id: number, author = imani, over: Partial<RhythmPost> = {}): RhythmPost => ({
  ...place,
  id: postId(id),
  author,
  kind: 'response',
  thread: postId(id),
  private: false,
  withdrawn: false,
  hidden: false,
  versions: [{ at: instant(id * 100) }, { at: instant(9_999) }],
  ...over,
});
const reply = (id: number, author: typeof imani, over: Partial<RhythmPost> = {}) =>
  post(id, author, { kind: 'reply', thread: postId(1), ...over });

it('a response was heard by the replies of others in its thread, earliest first, by when they were first shared', () => {
  const posts = [post(1), reply(4, holt), reply(3, noor), reply(5, imani)];
  expect(responsesHeard(posts, students)).toEqual([
    { ...place, author: imani, at: 100, replies: [300, 400] },
  ]);
});

it('what is withdrawn, hidden or between two counts on neither side, and a response of the staff is none', () => {
  const posts = [
    post(1),
    post(2, noor, { withdrawn: true }),
    post(3, noor, { hidden: true }),
    post(4, holt),
    reply(5, noor, { private: true }),
    reply(6, noor, { hidden: true }),
    reply(7, noor, { withdrawn: true }),
  ];
  expect(responsesHeard(posts, students)).toEqual([{ ...place, author: imani, at: 100, replies: [] }]);
});
