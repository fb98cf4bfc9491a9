/** One caption: what is said from one moment to another, in milliseconds. */
export type Cue = { from: number; to: number; text: string };

const MOST_CUES = 500;
const MOST_TEXT = 400;

/** "1:02:03.500", "02:03.5" or "2:03" in milliseconds; null for anything else. */
function momentOf(text: string): number | null {
  const m = /^(?:(\d{1,2}):)?(\d{1,2}):(\d{2})(?:[.,](\d{1,3}))?$/u.exec(text.trim());
  if (!m) return null;
  const [, h = '0', min = '0', s = '0', part = ''] = m;
  return ((Number(h) * 60 + Number(min)) * 60 + Number(s)) * 1_000 + Number(part.padEnd(3, '0'));
}

const ENTITIES: Readonly<Record<string, string>> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&nbsp;': ' ',
  '&lrm;': '',
  '&rlm;': '',
};

/** What a caption file writes for letters that mean something in it (WebVTT, 4.2.2). */
const unescaped = (text: string) =>
  text.replace(/&(?:amp|lt|gt|nbsp|lrm|rlm);/gu, (entity) => ENTITIES[entity] ?? entity);

/** Words without the tags a caption file may dress them in: WebVTT's, and those SubRip writes in angle brackets and braces. */
const bare = (text: string) =>
  text
    .replace(/<[^>]*>|\{\\[^}]*\}/gu, '')
    .replace(/-->/gu, '→')
    .replace(/\s+/gu, ' ')
    .trim()
    .slice(0, MOST_TEXT);

function cuesOfFile(text: string): Cue[] {
  return text.split(/\n{2,}/u).flatMap((block) => {
    const lines = block.split('\n');
    const at = lines.findIndex((l) => l.includes('-->'));
    const [first = '', second = ''] = at < 0 ? [] : (lines[at] ?? '').split('-->');
    const from = momentOf(first);
    const to = momentOf(second.trim().split(/\s/u)[0] ?? '');
    const said = unescaped(bare(lines.slice(at + 1).join(' ')));
    return at < 0 || from === null || to === null || to <= from || !said ? [] : [{ from, to, text: said }];
  });
}

/** Lines as somebody types them: "0:04 And here is the wall." Those without a time share the time there is by their length. */
function cuesOfLines(text: string, ms: number): Cue[] {
  const lines = text.split('\n').flatMap((line) => {
    const m = /^\s*(\d{1,2}:\d{2}(?:[.,]\d{1,3})?)\s+(.*)$/u.exec(line);
    const said = bare(m?.[2] ?? line);
    return said ? [{ from: m ? momentOf(m[1] ?? '') : null, text: said }] : [];
  });
  const cues: Cue[] = [];
  for (let i = 0; i < lines.length;) {
    let end = i + 1;
    while (end < lines.length && lines[end]?.from === null) end += 1;
    const run = lines.slice(i, end);
    const from = run[0]?.from ?? cues[cues.length - 1]?.to ?? 0;
    const until = Math.max(from + run.length, lines[end]?.from ?? ms);
    const length = run.reduce((n, l) => n + l.text.length, 0);
    let at = from;
    for (const { text: said } of run) {
      const to = at + Math.max(1, Math.round(((until - from) * said.length) / length));
      cues.push({ from: at, to, text: said });
      at = to;
    }
    i = end;
  }
  return cues;
}

/** A SubRip file begins with a number, and then says from when to when. */
const SUBRIP = /^\s*(?:\d+[ \t]*\n)?\d{1,2}:\d{2}:\d{2}[.,]\d{1,3}\s*-->/u;

/**
 * The captions of a clip of so many milliseconds: out of a WebVTT (W3C) or SubRip file, or out of lines as somebody types them, each
 * with or without the moment it begins. Empty for a text that says nothing.
 *
 * @example captionsFrom('0:00 Here.\n0:04 And there.', 10_000)
 *   // [{ from: 0, to: 4000, text: 'Here.' }, { from: 4000, to: 10000, text: 'And there.' }]
 */
export function captionsFrom(text: string, ms: number): Cue[] {
  const lines = text.replace(/^\uFEFF/u, '').replace(/\r\n?/gu, '\n');
  const cues =
    /^WEBVTT(?:\s|$)/u.test(lines) || SUBRIP.test(lines) ? cuesOfFile(lines) : cuesOfLines(lines, ms);
  return cues
    .filter((c) => c.from < ms)
    .map((c) => ({ ...c, to: Math.min(c.to, ms) }))
    .slice(0, MOST_CUES);
}

const clock = (ms: number) => {
  const two = (n: number) => String(Math.floor(n)).padStart(2, '0');
  return `${two(ms / 3_600_000)}:${two((ms / 60_000) % 60)}:${two((ms / 1_000) % 60)}.${String(ms % 1_000).padStart(3, '0')}`;
};
const escape = (text: string) => text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/>/gu, '&gt;');

/**
 * Captions as a WebVTT file.
 * @example webVtt([]) // 'WEBVTT\n\n'
 */
export const webVtt = (cues: readonly Cue[]) =>
  `WEBVTT\n\n${cues.map((c) => `${clock(c.from)} --> ${clock(c.to)}\n${escape(c.text)}\n`).join('\n')}`;
