import { NUMBER, valueOf } from './numbers';
import { MOST_READ, readPrompt } from './read-prompt';
import { momentsOf } from './times';

/** What was read, as `fact=value`, in the order of the alphabet. */
const read = (text: string) =>
  readPrompt(text)
    .facts.map((f) => `${f.fact}=${f.value}`)
    .sort();
const only = (text: string, start: string) => read(text).filter((f) => f.startsWith(start));

describe('numbers', () => {
  it.each([
    ['1,800', 1_800],
    ['three hundred', 300],
    ['two hundred and twenty', 220],
    ['a hundred and fifty', 150],
    ['twenty-five', 25],
    ['two thousand five hundred', 2_500],
    ['a couple of', 2],
  ])('%s is %d', (text, n) => {
    expect(valueOf(text)).toBe(n);
  });

  it('are not read out of money, parts of words, percentages or times', () => {
    const number = new RegExp(NUMBER, 'giu');
    expect(['£50', 'stone', '10%', '23:59'].flatMap((t) => t.match(number) ?? [])).toEqual([]);
  });
});

describe('moments', () => {
  const said = (text: string) => momentsOf(text).map(({ weekday, date, time }) => [weekday ?? date, time]);
  it.each([
    ['Thursday, 11:59 p.m.', [['thu', '23:59']]],
    ['by noon on Saturday', [['sat', '12:00']]],
    ['end of the day Wednesday', [['wed', '23:59']]],
    ['Sunday at eleven at night', [['sun', '23:00']]],
    ['Friday, 6 May, at 11 p.m.', [['05-06', '23:00']]],
    ['9 a.m. on 26 January', [['01-26', '09:00']]],
    ['Thursday 15 October 2026 at 5 pm', [['10-15', '17:00']]],
    ['Oct. 12, 6:00 p.m.', [['10-12', '18:00']]],
    [
      'Tue 18:00 and Fri 18:00',
      [
        ['tue', '18:00'],
        ['fri', '18:00'],
      ],
    ],
    [
      'midday or midnight',
      [
        [undefined, '12:00'],
        [undefined, '23:59'],
      ],
    ],
    ['the sun sat on the fence', []],
  ])('“%s”', (text, expected) => {
    expect(said(text)).toEqual(expected);
  });
});

describe('lengths', () => {
  it.each([
    ['Write at least 200 words.', ['response.words.min=200']],
    ['Write 200 words or more.', ['response.words.min=200']],
    ['Write 200 words.', ['response.words.min=200']],
    ['Write about 200 words.', ['response.words.min=200']],
    ['Write no more than 200 words.', ['response.words.max=200']],
    ['Your post cannot exceed 200 words.', ['response.words.max=200']],
    ['You may write up to 200 words.', ['response.words.max=200']],
    ['Write between 150 and 200 words.', ['response.words.max=200', 'response.words.min=150']],
    ['Write 150–200 words.', ['response.words.max=200', 'response.words.min=150']],
    ['Minimum 150 words, maximum 200.', ['response.words.max=200', 'response.words.min=150']],
    ['Write two or three paragraphs.', ['response.paragraphs.max=3', 'response.paragraphs.min=2']],
  ])('%s', (text, facts) => {
    expect(read(text)).toEqual(facts);
  });

  it.each([
    'The chapter (about 6,500 words) is in the folder.',
    'Last week you wrote 150 words.',
    'The essay in week 9 is 2,000 words.',
    'A typical message last term was 80 to 100 words, but that is no rule.',
    'You do not need to write 300 words.',
    'As a group you will publish one 800-word briefing.',
  ])('are not asked for by “%s”', (text) => {
    expect(read(text)).toEqual([]);
  });

  it('of what is not counted below them are the least', () => {
    expect(read('Reply to two classmates. Replies under 40 words are not counted.')).toContain(
      'replies.words.min=40',
    );
    expect(read('Reply to two classmates, in neither case in fewer than sixty words.')).toContain(
      'replies.words.min=60',
    );
  });
});

describe('whom a demand is for', () => {
  it('is said by its sentence, its heading or the sentence before', () => {
    expect(read('Your post must have 200 words. Reply to two peers in 50 words each.')).toEqual([
      'replies.count=2',
      'replies.distinctPeers=true',
      'replies.words.min=50',
      'response.words.min=200',
    ]);
    expect(
      only('Replies\nAt least two, to two different people. 50 words or more.\n\nPost\n200 words.', 're'),
    ).toEqual([
      'replies.count=2',
      'replies.distinctPeers=true',
      'replies.words.min=50',
      'response.words.min=200',
    ]);
    expect(read('Respond to three classmates. Ask each of them a question.')).toContain(
      'replies.question.min=1',
    );
  });

  it('tells different people only where people are counted', () => {
    expect(read('Reply to two posts.')).toEqual(['replies.count=2']);
    expect(read('Reply to two classmates.')).toContain('replies.distinctPeers=true');
    expect(read('Reply to one classmate.')).toEqual(['replies.count=1']);
  });
});

describe('deadlines', () => {
  it('go by the name beside them', () => {
    expect(only('Reply to two peers. Posts by Tuesday at 8 pm, replies by Thursday at 8 pm.', 'due')).toEqual(
      [
        'due.replies.time=20:00',
        'due.replies.weekday=thu',
        'due.response.time=20:00',
        'due.response.weekday=tue',
      ],
    );
  });
  it('stand for both when there is one', () => {
    expect(
      only('Write 100 words and reply to one classmate. Friday, 5 p.m., for the whole thing.', 'due'),
    ).toEqual([
      'due.replies.time=17:00',
      'due.replies.weekday=fri',
      'due.response.time=17:00',
      'due.response.weekday=fri',
    ]);
  });
  it('of two that are not told apart by name, the first is the response’s', () => {
    expect(
      only('Post a photo, then help two classmates. Tuesday 10 p.m. / Thursday 10 p.m.', 'due').map((f) =>
        f.slice(4),
      ),
    ).toEqual(['replies.time=22:00', 'replies.weekday=thu', 'response.time=22:00', 'response.weekday=tue']);
  });
  it('are not office hours, meetings or what happened on some day', () => {
    expect(
      read('I am in my office on Tuesdays from 2 to 4 pm. The live session is on Thursday at 10.'),
    ).toEqual([]);
    expect(read('On Saturday morning a florist writes on a board.')).toEqual([]);
  });
});

describe('the late rule and the seal', () => {
  it.each([
    ['Late posts lose ten percent per day.', 'late=penalty'],
    ['Late work is accepted for half marks.', 'late=penalty'],
    ['I do not accept late posts.', 'late=refused'],
    ['Late work is accepted without penalty.', 'late=accepted'],
    ['If it turns up later I will read it, but it won’t get a mark.', 'late=refused'],
    ['You cannot see your classmates’ posts until you have posted your own.', 'sealed=true'],
    ['Other people’s answers become visible after you have shared yours.', 'sealed=true'],
  ])('%s', (text, fact) => {
    expect(read(text)).toEqual([fact]);
  });
  it('are not read out of reading on', () => {
    expect(read('Once you have posted, read what the others wrote.')).toEqual([]);
  });
});

describe('a prompt in HTML', () => {
  const html = `<div><h2>Your post</h2><p>Write <b>at least</b>&nbsp;200 words.</p>
    <script>alert("Reply to nine classmates")</script><p hidden>500 words</p>
    <ol><li>What moved?</li><li>Who paid?</li></ol>
    <table><tr><td>Reply 1</td><td>min. 50 words</td></tr><tr><td>Reply 2</td><td>min. 50 words</td></tr></table></div>`;
  it('is read as a person sees it', () => {
    expect(read(html)).toEqual([
      'replies.count=2',
      'replies.words.min=50',
      'response.parts=2',
      'response.words.min=200',
    ]);
  });
  it('has its evidence in its source', () => {
    const fact = readPrompt(html).facts.find((f) => f.fact === 'response.words.min');
    expect(html.slice(fact?.start, fact?.end)).toBe('at least</b>&nbsp;200 words');
  });
});

describe('a text that is no help', () => {
  it('gives nothing where nothing is asked', () => {
    expect(read('')).toEqual([]);
    expect(read('Could a thermostat believe that the room is too cold?')).toEqual([]);
  });
  it('may be written in another script', () => {
    expect(read('اكتب منشورا عن النهر. 200 words minimum. ثم شكرا')).toEqual(['response.words.min=200']);
  });
  it('shows both of two demands that contradict each other', () => {
    const { facts, contradictory } = readPrompt(
      'Your post must have at least 200 words.\n\nYour post must have at least 300 words.',
    );
    expect(facts.map((f) => f.value)).toEqual([200]);
    expect(contradictory.map((f) => [f.fact, f.value])).toEqual([['response.words.min', 300]]);
  });
  it('is read as far as sixteen pages, and says so', () => {
    const long = `Write 200 words. ${'On and on it goes. '.repeat(120_000)}`;
    expect(long.length).toBeGreaterThan(2_000_000);
    const { cut, facts } = readPrompt(long);
    expect([cut, facts.map((f) => f.fact)]).toEqual([true, ['response.words.min']]);
    expect(long.length > MOST_READ).toBe(true);
  });
  it('keeps its evidence in place through marks of emphasis', () => {
    const text = 'Write **at least 200 words** and `reply` to *two* classmates.';
    const fact = readPrompt(text).facts.find((f) => f.fact === 'response.words.min');
    expect(text.slice(fact?.start, fact?.end)).toBe('at least 200 words');
  });
});
