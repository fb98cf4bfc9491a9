/** A post of the demo world as its text file gives it. */
export type WorldPost = {
  discussion: string;
  author: string;
  /** Days after the Monday of the discussion's week, and the wall-clock time in the course's zone. */
  day: number;
  time: string;
  title: string;
  flags: string[];
  body: string;
  replies: WorldPost[];
};

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/**
 * Reads the posts of a discussion. A heading line tells author, time, then title or flags: `#` a response, `##` a
 * reply to it, `###` a reply to that reply. `+Mon` is the Monday after the discussion's week.
 */
export function parseTexts(discussion: string, text: string): WorldPost[] {
  const top: WorldPost[] = [];
  const open: WorldPost[] = [];
  for (const line of text.split('\n')) {
    const head = /^(#+) (.+)$/u.exec(line);
    if (!head) {
      const post = open[open.length - 1];
      if (post) post.body += `${line}\n`;
      else if (line.trim()) throw new Error(`${discussion}: text before the first post: ${line}`);
      continue;
    }
    const level = (head[1] ?? '').length;
    const [author = '', when = '', ...rest] = (head[2] ?? '').split('|').map((s) => s.trim());
    const at = /^(\+?)(\w{3}) (\d\d:\d\d)$/u.exec(when);
    const day = DAYS.indexOf(at?.[2] ?? '');
    if (!at || day < 0) throw new Error(`${discussion}: "${when}" is not a time (${author})`);
    const post: WorldPost = {
      discussion,
      author,
      day: day + (at[1] ? 7 : 0),
      time: at[3] ?? '',
      title: level === 1 ? (rest[0] ?? '') : '',
      flags: level === 1 ? rest.slice(1) : rest,
      body: '',
      replies: [],
    };
    open.length = level - 1;
    const parent = open[level - 2];
    if (level > 1 && !parent) throw new Error(`${discussion}: a reply by ${author} answers nothing`);
    (parent ? parent.replies : top).push(post);
    open.push(post);
  }
  return top;
}

/** A response's body as one text for each part: `1:` at the start of a line begins the first, and so on. */
export function partsOfBody(body: string, parts: number): string[] {
  if (parts === 0) return [body.trim()];
  const texts = Array.from({ length: parts }, () => '');
  let at = 0;
  for (const line of body.split('\n')) {
    const mark = /^(\d+): ?(.*)$/u.exec(line);
    const n = mark ? Number(mark[1]) - 1 : -1;
    if (mark && n >= 0 && n < parts) {
      at = n;
      texts[at] += `${mark[2]}\n`;
    } else texts[at] += `${line}\n`;
  }
  return texts.map((t) => t.trim());
}
