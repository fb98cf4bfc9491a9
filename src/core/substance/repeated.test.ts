import { repeatOf } from './repeated';

const TEXT =
  'Hi Kwame, this made me think about who pays in the end. I believe that every plan has a price and somebody always carries it, so we should ask who that is before we decide anything.';

describe('the same reply to another classmate', () => {
  const earlier = [
    { name: 'Noor', text: TEXT.replace('Kwame', 'Noor') },
    {
      name: 'Jun',
      text: 'The bridge is pinched to forty metres, so the width helps only the upper three villages, does it not?',
    },
  ];
  it('is told by its words, whatever name stands in it', () => {
    expect(repeatOf(TEXT, earlier)?.name).toBe('Noor');
  });
  it('is told where a sentence was put before it or one left out', () => {
    expect(repeatOf(`What a good post. ${TEXT}`, earlier)?.name).toBe('Noor');
    expect(repeatOf(TEXT.slice(0, 120), earlier)?.name).toBe('Noor');
  });
  it('is not seen in a text of its own, nor in a few words', () => {
    expect(
      repeatOf(
        'Who pays for the ford, and for how long, when the council has moved on to other things?',
        earlier,
      ),
    ).toBeNull();
    expect(
      repeatOf('I see it now, thank you.', [{ name: 'Noor', text: 'I see it now, thank you.' }]),
    ).toBeNull();
  });
});
