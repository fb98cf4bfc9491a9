import { documentOf } from '../formats/as-document';
import { correctionsOf } from './corrections';
import { suggestBrief } from './suggest';

const NOW = '2026-11-24T12:00';
const read = (text: string) => suggestBrief(documentOf(text), NOW);
const PROMPT = 'Week 5: Rivers\n\nWrite 200 words by Thursday noon. Then answer two classmates by Sunday.';

describe('what is put right of what was read', () => {
  const suggestion = read(PROMPT);

  it('is nothing where all was right', () => {
    expect(correctionsOf(suggestion, suggestion.fields)).toEqual([]);
  });

  it('is what stands there now, with the words it was read from and no others', () => {
    const [found, ...more] = correctionsOf(suggestion, { ...suggestion.fields, 'replies.count': '3' });
    expect(more).toEqual([]);
    expect(found).toMatchObject({ field: 'replies.count', read: '2', meant: '3' });
    expect(PROMPT.replace(/\s+/gu, ' ')).toContain(found?.words ?? '?');
    expect(found?.words).not.toContain('200');
  });

  it('is told of where a field was emptied', () => {
    expect(correctionsOf(suggestion, { ...suggestion.fields, 'response.words.min': '' })).toMatchObject([
      { field: 'response.words.min', meant: '' },
    ]);
  });

  it('is never a name or a date', () => {
    const fields = { ...suggestion.fields, title: 'Another', week: '9', responseDue: '2026-12-03T12:00' };
    expect(correctionsOf(suggestion, fields)).toEqual([]);
  });

  it('is how a question was answered, too', () => {
    const asked = {
      ...suggestion,
      asked: [
        {
          field: 'sealed' as const,
          value: 'on',
          evidence: { quote: 'hidden?', places: [], confidence: 0.4 },
        },
      ],
    };
    expect(correctionsOf(asked, { ...suggestion.fields, sealed: 'on' })).toEqual([
      { field: 'sealed', words: 'hidden?', read: 'on', meant: 'on', sure: 0.4 },
    ]);
    expect(correctionsOf(asked, suggestion.fields, ['sealed'])[0]?.meant).toBe('');
    expect(correctionsOf(asked, suggestion.fields)).toEqual([]);
  });
});
