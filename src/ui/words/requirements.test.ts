import { disagreementText } from './disagreements';
import { factText } from './requirements';

describe('what a prompt asks for, in words', () => {
  it.each([
    [{ fact: 'response.words.min', value: 250 }, 'at least 250 words'],
    [{ fact: 'replies.words.max', value: 1 }, 'in each reply at most 1 word'],
    [{ fact: 'response.media.image', value: 1 }, 'an image'],
    [{ fact: 'response.media.audio', value: 2 }, 'a recording (2)'],
    [{ fact: 'response.title', value: 'Two doors' }, 'the title “Two doors”'],
    [{ fact: 'replies.count', value: 3 }, '3 replies'],
    [{ fact: 'due.replies.weekday', value: 'sun' }, 'replies due on Sunday'],
    [{ fact: 'late', value: 'refused' }, 'late work refused'],
  ])('%j', (fact, text) => {
    expect(factText(fact)).toBe(text);
  });

  it('says what to keep to where text and rules differ', () => {
    const fact = 'response.words.min';
    expect(disagreementText({ fact, text: 300, brief: 250, stricter: 'text' })).toBe(
      'Its text says “at least 300 words”, its rules say “at least 250 words”. Keep to “at least 300 words”: that meets both.',
    );
    expect(
      disagreementText({ fact: 'response.sources.min', text: 2, brief: null, stricter: 'text' }),
    ).toContain('its rules say nothing of the kind.');
  });
});
