import fc from 'fast-check';
import { instant } from '../ids';
import { fadeSigns, howItGoes, type Done } from './how-it-goes';

const HOUR = 3_600_000;
const at = (hours: number) => instant(hours * HOUR);

describe('how a discussion goes', () => {
  it('says participation, replies, and how long the first took', () => {
    expect(
      howItGoes({
        owing: 4,
        responded: 3,
        complete: 1,
        responses: [
          { at: at(0), firstReply: at(2), replies: 2 },
          { at: at(0), firstReply: at(9), replies: 1 },
          { at: at(5), firstReply: null, replies: 0 },
        ],
        points: [10, 20],
      }),
    ).toEqual({
      participation: 75,
      complete: 25,
      responses: 3,
      unanswered: 1,
      repliesEach: 1,
      firstReplyHours: 5.5,
      spread: { n: 2, least: 10, middle: 15, most: 20, mean: 15 },
    });
  });

  it('says nothing of nobody', () => {
    expect(howItGoes({ owing: 0, responded: 0, complete: 0, responses: [], points: [] })).toEqual({
      participation: null,
      complete: null,
      responses: 0,
      unanswered: 0,
      repliesEach: null,
      firstReplyHours: null,
      spread: null,
    });
  });
});

describe('who fades', () => {
  const NOW = at(24 * 100);
  const ago = (days: number) => instant(NOW - days * 24 * HOUR);
  const met = (n: number, hours: number | null = 20): Done => ({ met: n, owed: 4, hours });
  const codes = (done: Done[], seen = ago(0)) => fadeSigns(done, seen, NOW).map((s) => s.code);

  it('is said where two of three signs are seen, and not for one bad week', () => {
    const stopped = [met(4), met(4), met(0, null), met(0, null)];
    expect(codes(stopped, ago(10))).toEqual(['less', 'unseen']);
    expect(codes(stopped)).toEqual([]);
    expect(codes([met(4), met(4), met(4), met(0, null)], ago(0))).toEqual([]);
  });

  it('sees responses that come later and later', () => {
    const later = [met(4, 60), met(4, 40), met(1, 20), met(1, 2)];
    expect(fadeSigns(later, ago(0), NOW)).toEqual([
      { code: 'less', now: [2, 8], before: [8, 8] },
      { code: 'later', from: 40, to: 2 },
    ]);
    // A few hours are nothing.
    expect(codes([met(4, 9), met(4, 8), met(1, 7), met(1, 6)])).toEqual([]);
  });

  it('is never said of somebody who does all and was here today', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -20, max: 100 }), { maxLength: 15 }), (hours) => {
        expect(codes(hours.map((h) => met(4, h)))).toEqual([]);
      }),
    );
  });
});
