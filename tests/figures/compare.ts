/** The first number that stands before some words in a text, or nought where they do not stand there. */
export const before = (text: string, words: RegExp): number =>
  Number(new RegExp(`(\\d+) (?:${words.source})`, 'u').exec(text)?.[1] ?? '0');

/** A text stands in another in whole words and numbers, however it is broken into pieces there. */
function says(text: string, words: string): boolean {
  const pieces = words.match(/[\p{L}\p{N}]+|[^\p{L}\p{N}\s]/gu) ?? [];
  const whole = pieces.map((piece) => piece.replace(/[\\^$.*+?()[\]{}|/]/u, '\\$&')).join('\\s*');
  return new RegExp(`(?<![\\p{L}\\p{N}])${whole}(?![\\p{L}\\p{N}])`, 'u').test(text);
}

/** What is wrong on a student's pages. One list and one assertion a student: there are a hundred thousand figures. */
export class Wrong {
  readonly found: string[] = [];
  constructor(private readonly who: string) {}
  same(got: unknown, wanted: unknown, about: string) {
    if (JSON.stringify(got) === JSON.stringify(wanted)) return;
    this.found.push(`${this.who}, ${about}: ${JSON.stringify(got)}, not ${JSON.stringify(wanted)}`);
  }
  says(text: string, words: string, about: string) {
    if (!says(text, words)) this.found.push(`${this.who}, ${about}: “${words}” is not in “${text}”`);
  }
}
