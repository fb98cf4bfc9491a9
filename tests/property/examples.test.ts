import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { runInNewContext } from 'node:vm';

const CORE = join(process.cwd(), 'src/core');
const FILES = readdirSync(CORE, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
);

type Example = { file: string; call: string; result: string };

/** An example that is a call of what the file exports, and what comes back. Others are told in words. */
const examplesIn = (file: string): Example[] =>
  [
    ...readFileSync(join(CORE, file), 'utf8').matchAll(/@example ([a-z]\w*\(.*) \/\/ (.+?)(?: \*\/)?$/gmu),
  ].map((m) => ({ file, call: m[1] ?? '', result: m[2] ?? '' }));

/** What an expression is where nothing but the file's own names is known; undefined where it speaks of more than that. */
function valueOf(expression: string, known: object): { value: unknown } | undefined {
  try {
    return { value: runInNewContext(`(${expression})`, { ...known }) as unknown };
  } catch {
    return undefined;
  }
}

describe('the examples in core', () => {
  const all = FILES.flatMap(examplesIn);

  it('say what comes back, wherever both sides can be worked out', async () => {
    let checked = 0;
    const wrong: unknown[] = [];
    for (const { file, call, result } of all) {
      const known = (await import(join(CORE, file))) as object;
      const said = valueOf(result, {});
      const found = said && valueOf(call, known);
      if (!said || !found) continue;
      checked += 1;
      const [is, says] = [found, said].map(({ value }) => JSON.stringify(value));
      if (is !== says) wrong.push({ file, call, is, says });
    }
    expect(wrong).toEqual([]);
    expect(checked).toBeGreaterThan(60);
  });

  it('stand at every function that others may call', () => {
    const without = FILES.flatMap((file) => {
      const text = readFileSync(join(CORE, file), 'utf8');
      return [
        ...text.matchAll(/^export (?:function\*? (\w+)|const (\w+)(?::[^=]+)? = (?:<[^>]*>)?\()/gmu),
      ].flatMap((m) => {
        const before = text.slice(0, m.index).trimEnd();
        const doc = before.endsWith('*/') ? before.slice(before.lastIndexOf('/**')) : '';
        return doc.includes('@example') ? [] : [`${file}: ${m[1] ?? m[2]}`];
      });
    });
    expect(without).toEqual([]);
  });
});
