import { briefSchema } from '../brief/brief';
import { documentFromText } from '../document/compose';
import { disagreements, strictest, type Confirmed } from './disagreements';
import { readDocument } from './on-document';

const brief = briefSchema.parse({
  response: { words: { min: 250 }, sources: { min: 1 } },
  replies: { count: 2, words: { min: 50 }, distinctPeers: true },
});
const confirmed: Confirmed = {
  brief,
  late: { rule: 'refused' },
  responseDue: '2026-10-15T23:59',
  repliesDue: '2026-10-18T23:59',
};
const found = (text: string) => disagreements(readDocument(documentFromText(text)).facts, confirmed);

describe('where a prompt’s text is not what was confirmed', () => {
  it('is nowhere while it says the same or nothing', () => {
    expect(found('Write at least 250 words by Thursday, 11:59 p.m., with one source.')).toEqual([]);
    expect(found('Should the levees be moved back?')).toEqual([]);
  });

  it('is a number changed in the text only, and the larger least is the stricter', () => {
    expect(found('Write at least 300 words.')).toEqual([
      { fact: 'response.words.min', text: 300, brief: 250, stricter: 'text' },
    ]);
    expect(found('Write at least 200 words.')).toEqual([
      { fact: 'response.words.min', text: 200, brief: 250, stricter: 'brief' },
    ]);
  });

  it('is not what may stand in the place of the words', () => {
    const spoken = {
      ...confirmed,
      brief: briefSchema.parse({ ...brief, response: { ...brief.response, instead: ['audio'] } }),
    };
    const facts = [{ fact: 'response.media.audio', value: 1, confidence: 0.9 }] as never;
    expect(disagreements(facts, spoken)).toEqual([]);
    expect(disagreements(facts, confirmed)).toHaveLength(1);
  });

  it('is something the brief does not ask for at all', () => {
    expect(found('Write at least 250 words and no more than 400 words.')).toEqual([
      { fact: 'response.words.max', text: 400, brief: null, stricter: 'text' },
    ]);
  });

  it('is another deadline, the earlier being the stricter', () => {
    expect(found('Your post is due on Wednesday at 23:59.').map((d) => [d.fact, d.stricter])).toEqual([
      ['due.response.weekday', 'text'],
    ]);
  });

  it('is a milder late rule than the one that is applied', () => {
    expect(found('Late posts lose ten percent a day.')).toEqual([
      { fact: 'late', text: 'penalty', brief: 'refused', stricter: 'brief' },
    ]);
  });

  it('is both of two numbers of which the text cannot choose one', () => {
    const text = 'Your post must have at least 200 words.\n\nYour post must have at least 300 words.';
    expect(found(text).map((d) => d.text)).toEqual([200, 300]);
  });
});

describe('the strictest brief', () => {
  it('asks for the more of the two, and keeps all else', () => {
    const both = strictest(
      brief,
      found('Write at least 300 words, at most 500. Reply to three classmates in 40 words.'),
    );
    expect(both.response.words).toEqual({ min: 300, max: 500 });
    expect(both.replies).toMatchObject({ count: 3, words: { min: 50 }, distinctPeers: true });
    expect(both.response.sources).toEqual({ min: 1 });
    expect(brief.response.words).toEqual({ min: 250 });
  });
});

describe('requirements in a document', () => {
  it('stand where the editor would count them', () => {
    const doc = documentFromText('A river.\n\nWrite at least 200 words and reply to two classmates.');
    // The second paragraph's text begins after the first (10) and its own opening (1).
    const start = 11 + 'Write '.length;
    expect(readDocument(doc).requirements).toEqual([
      {
        from: start,
        to: start + 'at least 200 words'.length,
        facts: [{ fact: 'response.words.min', value: 200 }],
      },
      {
        from: 11 + 'Write at least 200 words and reply to '.length,
        to: 11 + 'Write at least 200 words and reply to two classmates'.length,
        facts: [
          { fact: 'replies.count', value: 2 },
          { fact: 'replies.distinctPeers', value: true },
        ],
      },
    ]);
  });
  it('never lie over one another', () => {
    const doc = documentFromText(
      'Reply to at least two classmates in 50 to 80 words each, by Sunday, 18:00.',
    );
    const { requirements } = readDocument(doc);
    requirements.forEach((r, i) => expect(r.from).toBeGreaterThanOrEqual(requirements[i - 1]?.to ?? 0));
    expect(requirements.length).toBeGreaterThan(2);
  });
});
