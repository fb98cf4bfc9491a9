/** One piece of a mail. Words of posts stand in quotes alone. */
export type LetterPart =
  | { kind: 'paragraph'; text: string }
  /** A paragraph and the one address it is about, on a line of its own or on a button. */
  | { kind: 'link'; text: string; label: string; href: string }
  | { kind: 'heading'; text: string }
  | { kind: 'item'; title: string; meta: string; href: string }
  | { kind: 'quote'; text: string; by: string | null };

/** A mail before it has a form: the text and the HTML of it are made of this alone, so they say the same. */
export type Letter = {
  subject: string;
  /** What a mail program may show beside the subject: never words of a post. */
  preview: string;
  hello: string;
  parts: LetterPart[];
  /** Under the line: why it came, and how it comes less. */
  foot: { text: string; href: string | null }[];
  from: string;
};

const WIDTH = 74;

/** Breaks a text at spaces; what is longer than a line (an address) stays whole. */
function wrapped(text: string, before = ''): string {
  return text
    .split('\n')
    .flatMap((line) => {
      const lines: string[] = [];
      let now = '';
      for (const word of line.split(' ')) {
        if (now && before.length + now.length + 1 + word.length > WIDTH) {
          lines.push(now);
          now = word;
        } else now = now ? `${now} ${word}` : word;
      }
      return [...lines, now];
    })
    .map((line) => `${before}${line}`.trimEnd())
    .join('\n');
}

const textOf = (part: LetterPart): string => {
  switch (part.kind) {
    case 'paragraph':
      return wrapped(part.text);
    case 'link':
      return `${wrapped(part.text || part.label)}${part.text.endsWith('.') ? '' : ':'}\n${part.href}`;
    case 'heading':
      return `${part.text}\n${'-'.repeat(Math.min(WIDTH, part.text.length))}`;
    case 'item':
      return [wrapped(part.title), wrapped(part.meta), part.href].filter(Boolean).join('\n');
    case 'quote':
      return `${wrapped(part.text, '> ')}${part.by ? `\n(${part.by})` : ''}`;
  }
};

/** A letter as text, for whoever reads mail as that: RFC 3676 without its flowing, lines of at most 74 signs but for addresses. */
export const letterText = ({ hello, parts, foot, from }: Letter): string =>
  `${[
    hello,
    ...parts.map(textOf),
    from,
    // The line that begins a signature, by which mail programs fold away what is under it.
    ...(foot.length
      ? [`-- \n${foot.map((f) => (f.href ? `${wrapped(f.text)}\n${f.href}` : wrapped(f.text))).join('\n\n')}`]
      : []),
  ].join('\n\n')}\n`;
