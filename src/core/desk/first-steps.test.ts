import { firstSteps, type Begun } from './first-steps';

const nothing: Begun = {
  syllabus: { toSign: false, signed: false },
  readings: { all: 0, read: 0 },
  groups: { held: false, said: false },
  response: { open: false, shared: false },
};
const everything: Begun = {
  syllabus: { toSign: true, signed: false },
  readings: { all: 3, read: 1 },
  groups: { held: true, said: true },
  response: { open: true, shared: false },
};

describe('what to do first in a course', () => {
  it('is only what the course asks for', () => {
    expect(firstSteps(nothing)).toEqual([]);
    expect(firstSteps({ ...nothing, response: { open: true, shared: true } })).toEqual([
      { what: 'respond', done: true, have: 1, need: 1 },
    ]);
  });

  it('comes in the order in which it is done, each with how far it is', () => {
    expect(firstSteps(everything)).toEqual([
      { what: 'sign', done: false, have: 0, need: 1 },
      { what: 'read', done: false, have: 1, need: 3 },
      { what: 'times', done: true, have: 1, need: 1 },
      { what: 'respond', done: false, have: 0, need: 1 },
    ]);
  });

  it('is done when all of it is', () => {
    const [, read] = firstSteps({ ...everything, readings: { all: 2, read: 2 } });
    expect(read).toEqual({ what: 'read', done: true, have: 2, need: 2 });
  });
});
