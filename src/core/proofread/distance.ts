/**
 * How many slips lie between two words: a letter left out, put in, changed, or two neighbours swapped (the optimal string
 * alignment distance). Gives up above `most`, which is then the answer plus one.
 *
 * @example slips('river', 'rivre', 2) // 1
 */
export function slips(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let cost = Math.min((row[j - 1] ?? 0) + 1, (last[j] ?? 0) + 1, (last[j - 1] ?? 0) + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        cost = Math.min(cost, (before[j - 2] ?? 0) + 1);
      row.push(cost);
    }
    before = last;
    last = row;
  }
  return Math.min(last[b.length] ?? 0, most + 1);
}
