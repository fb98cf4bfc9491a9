import { HIT_END, HIT_START, passageOf } from './passage';

const marked = (text: string) => text.replaceAll('[', HIT_START).replaceAll(']', HIT_END);

describe('a passage', () => {
  it('is cut into what matched and what did not, and never loses a letter', () => {
    expect(passageOf(marked('the [levee] held, the [levees] did not'))).toEqual([
      { text: 'the ', hit: false },
      { text: 'levee', hit: true },
      { text: ' held, the ', hit: false },
      { text: 'levees', hit: true },
      { text: ' did not', hit: false },
    ]);
    expect(passageOf('no match\nat all')).toEqual([{ text: 'no match at all', hit: false }]);
  });
  it('keeps markup as the text it is', () => {
    expect(passageOf(marked('a [<b>]')).map((p) => p.text)).toEqual(['a ', '<b>']);
  });
});
