import { briefSchema } from '../brief/brief';
import { documentFromParts, documentFromText } from '../document/compose';
import { runChecks } from './checks';
import { meantParts } from './meaning';

const respond = (text: string, response: object, readings: string[] = []) =>
  runChecks({
    kind: 'response',
    brief: briefSchema.parse({ response, replies: { count: 0 } }),
    title: '',
    doc: documentFromText(text),
    readings,
  })[0];

describe('sources', () => {
  const list = (text: string, entries: string) =>
    respond(`${text}\n\nReferences\n\n${entries}`, { sources: { min: 1 } })?.remarks ?? [];
  it('that are cited and listed need no remark, whatever the style', () => {
    expect(list('So it is (Holt, 2019).', 'Holt, M. (2019). The wall. Tidewell Press.')).toEqual([]);
    expect(list('So it is (Holt 12).', 'Holt, Maren. The Wall. Tidewell Press, 2019.')).toEqual([]);
    expect(list('So it is [1].', '[1] M. Holt, The wall, 2019.')).toEqual([]);
    expect(
      list('See https://tidewell.example/amber for it.', 'Amber, https://tidewell.example/amber'),
    ).toEqual([]);
  });
  it('that are cited and not in the list are named', () => {
    expect(list('Both say so (Holt, 2019; Lind, 2020).', 'Holt, M. (2019). The wall.')).toEqual([
      { code: 'cited-not-listed', names: ['lind 2020'] },
    ]);
  });
  it('that are in the list and never cited are named by their first words', () => {
    expect(
      list(
        'So it is (Holt, 2019).',
        'Holt, M. (2019). The wall.\n\nLind, T. (2020). Meadows and what they hold of us.',
      ),
    ).toEqual([{ code: 'listed-not-cited', entries: ['Lind, T. (2020). Meadows and what …'] }]);
  });
  it('without any list are not asked after, and a chapter of the reader never is', () => {
    expect(respond('So it is (Holt, 2019).', { sources: { min: 1 } })?.remarks).toBeUndefined();
    expect(list('So it is (Chapter 6, p. 3) and (Holt, 2019).', 'Holt, M. (2019). The wall.')).toEqual([]);
  });
});

describe('an example', () => {
  const check = (text: string) => respond(text, { example: { min: 1 } });
  it.each([
    'The wall failed, for example in the spring of 2019.',
    'Some plans hold water, such as the one in Hessle.',
    'In my village the pump is shared by nine houses.',
    'My uncle has the old well in this story.',
  ])('%s', (text) => expect(check(text)).toMatchObject({ have: 1, met: true }));
  it('is not a claim alone, nor one that is only quoted', () => {
    expect(check('Walls are bad and rivers are good.')).toMatchObject({
      have: 0,
      missing: { code: 'no-example' },
    });
    expect(check('> For example, the wall failed in the spring.')).toMatchObject({ have: 0 });
  });
});

describe('quotations of a response', () => {
  const reading = 'In the end the old wall held for sixty years, and then the river took its meadows back.';
  const quoted = (said: string) => respond(`Holt writes “${said}” there.`, { quotes: { min: 1 } }, [reading]);
  it('are found in the readings, whatever their marks and capitals', () => {
    expect(quoted('The old wall held for sixty years')).toMatchObject({ have: 1, met: true });
    expect(quoted('the old wall … took its meadows back')).toMatchObject({ have: 1, met: true });
  });
  it('that are almost right are shown with what stands there', () => {
    expect(quoted('the old wall hold for sixty years')).toMatchObject({
      have: 0,
      missing: { code: 'quotes-not-read', found: 1 },
      remarks: [{ code: 'quote-near', stands: 'the old wall held for sixty years,' }],
    });
  });
  it('that are nowhere are no near-misses of anything', () => {
    expect(quoted('nobody ever swam in the harbour at night')?.remarks).toBeUndefined();
  });
  it('count as they stand where no reading is at hand', () => {
    expect(respond('She says “it was never about the water at all”.', { quotes: { min: 1 } })).toMatchObject({
      have: 1,
      met: true,
    });
  });
});

describe('parts whose headings were taken out', () => {
  const parts = [
    { id: '1', text: 'Which plan would you choose for the levees, and for whom is it the better one?' },
    { id: '2', text: 'Explain your choice with two ideas from chapter 6.' },
    { id: '3', text: 'What would the other side say, and what is your answer to them? Cite one source.' },
  ];
  const texts = [
    'I would choose the plan that moves the levees back, which is better for the villages downstream.',
    'The meadows hold two days of a flood, and a higher wall only invites people to build.',
    'The other side would say that the farms go under; my answer is that they must be paid.',
  ];
  const n = (text: string) =>
    runChecks({
      kind: 'response',
      brief: briefSchema.parse({ parts, response: {}, replies: { count: 0 } }),
      title: '',
      doc: documentFromText(text),
    })[0];
  it('are told by what the passages say, and those between by their place', () => {
    expect(meantParts(texts, parts).map((m) => [m.part.id, m.at])).toEqual([
      ['1', 0],
      ['2', 1],
      ['3', 2],
    ]);
    expect(n(texts.join('\n\n'))).toMatchObject({ have: 3, met: true });
  });
  it('stay open where nothing speaks of them', () => {
    expect(n(texts.slice(0, 1).join('\n\n'))).toMatchObject({ have: 1, met: false });
    expect(n('My weekend was long and the train was late again.')).toMatchObject({ have: 0 });
  });
  it('are looked for beneath the heading before, beyond its own first paragraph', () => {
    const doc = documentFromParts(parts.slice(0, 1), [`${texts[0]}\n\n${texts[2]}`]);
    const [check] = runChecks({
      kind: 'response',
      brief: briefSchema.parse({ parts, response: {}, replies: { count: 0 } }),
      title: '',
      doc,
    });
    expect(check).toMatchObject({ have: 2, missing: { parts: [{ n: 2, placed: false }] } });
  });
});
