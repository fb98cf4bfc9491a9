import fc from 'fast-check';
import { captionsFrom, webVtt } from './captions';

describe('captions', () => {
  it('begin where a line says so, and last until the next', () => {
    expect(captionsFrom('0:00 Here is the wall.\n0:04 And there.', 10_000)).toEqual([
      { from: 0, to: 4_000, text: 'Here is the wall.' },
      { from: 4_000, to: 10_000, text: 'And there.' },
    ]);
  });
  it('without times share the clip by their length', () => {
    expect(captionsFrom('ab\nabcdef', 8_000)).toEqual([
      { from: 0, to: 2_000, text: 'ab' },
      { from: 2_000, to: 8_000, text: 'abcdef' },
    ]);
  });
  it('come out of a WebVTT file without its tags, notes and places', () => {
    const vtt =
      '\uFEFFWEBVTT - walk\r\n\r\nNOTE nothing\r\n\r\n1\r\n00:01.500 --> 00:03.000 align:start\r\n<v Imani>Here</v> it\r\nis\r\n\r\n00:00:04,000 --> 00:00:05,000\r\n<script>x</script>\r\n';
    expect(captionsFrom(vtt, 10_000)).toEqual([
      { from: 1_500, to: 3_000, text: 'Here it is' },
      { from: 4_000, to: 5_000, text: 'x' },
    ]);
  });
  it('are written as WebVTT and read back', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc
            .string({ minLength: 1, maxLength: 40 })
            .filter((s) => /^[a-z ,.?&;]*[a-z][a-z ,.?&;]*$/iu.test(s)),
          {
            minLength: 1,
            maxLength: 20,
          },
        ),
        fc.integer({ min: 1_000, max: 180_000 }),
        (lines, ms) => {
          const cues = captionsFrom(lines.join('\n'), ms);
          expect(captionsFrom(webVtt(cues), ms)).toEqual(cues);
          expect(cues.every((c, i) => c.to > c.from && c.to <= ms && c.from >= (cues[i - 1]?.to ?? 0))).toBe(
            true,
          );
        },
      ),
    ));
  it('come out of a SubRip file, as other programs write it', () => {
    const srt =
      '1\r\n00:00:01,500 --> 00:00:03,000\r\n<i>Here</i> it\r\nis &amp; stays\r\n\r\n2\r\n00:00:04,000 --> 00:00:05,000\r\n{\\an8}a < b\r\n';
    expect(captionsFrom(srt, 10_000)).toEqual([
      { from: 1_500, to: 3_000, text: 'Here it is & stays' },
      { from: 4_000, to: 5_000, text: 'a < b' },
    ]);
  });
  it('can close no cue and open no tag', () => {
    const text = webVtt([{ from: 0, to: 1_000, text: 'a <b> & c' }]);
    expect(text).toBe('WEBVTT\n\n00:00:00.000 --> 00:00:01.000\na &lt;b&gt; &amp; c\n');
    expect(captionsFrom('0:00 a --> b', 1_000)[0]?.text).toBe('a → b');
  });
});
