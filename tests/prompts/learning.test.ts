import { decided } from '@/core/prompts/decide/decide';
import type { Learned } from '@/core/prompts/decide/learned';
import { learned, unpack } from '@/core/prompts/decide/unpacked';
import { readPrompt } from '@/core/prompts/read-prompt';
import { settle } from '@/core/prompts/settle';
import { learn } from '../../scripts/learn/logistic';
import { material } from '../../scripts/learn/material';
import { packed } from '../../scripts/learn/packed';
import { learnedFrom } from '../../scripts/learn/prompts';
import { promptSets } from './labelled';
import { scored } from './score';

const few = promptSets().filter((s) => ['own-12', 'own-13'].includes(s.name));
const prompts = material(few);

describe('learning to read prompts', () => {
  it('teaches the same to the last digit each time', () => {
    const some = prompts.slice(0, 30);
    expect(packed(learnedFrom(some), some)).toBe(packed(learnedFrom(some), some));
  }, 60_000);

  it('reads others better for it than the grammar does alone', () => {
    const [first, second] = few.map((s) => s.name);
    const taught = learnedFrom(prompts.filter((p) => p.set === first));
    const others = prompts.filter((p) => p.set === second);
    const by = (read: (p: (typeof others)[number]) => ReturnType<typeof decided>) =>
      scored(others.map((p) => ({ id: p.id, gold: p.gold, facts: settle(read(p)).facts }))).f1;
    const alone = by((p) => p.ruled);
    const both = by((p) => decided(p.candidates, taught, p.ruled));
    process.stdout.write(
      `Prompts, ${second}: by the grammar ${alone.toFixed(3)}, by what ${first} teaches ${both.toFixed(3)}\n`,
    );
    expect(both).toBeGreaterThan(alone);
  }, 60_000);

  it('comes out of its module as it went in', () => {
    const module = packed(learnedFrom(prompts.slice(0, 30)), prompts);
    const text = (/`(?<text>[\s\S]*)`/u.exec(module)?.groups?.text ?? '')
      .replaceAll('\\`', '`')
      .replaceAll('\\${', '${')
      .replaceAll('\\\\', '\\');
    // Weights too small to matter stay behind, once.
    expect(packed(unpack(text) as Learned, prompts)).toBe(module);
  }, 60_000);

  it('asks of what is learned every question the reader has', () => {
    for (const [question, { classes, weights }] of Object.entries(learned())) {
      expect([question, classes.length >= 2]).toEqual([question, true]);
      expect([question, Object.keys(weights).length > 20]).toEqual([question, true]);
    }
  });

  it('leaves a feature out that stands in one text alone, however often', () => {
    const { weights } = learn(
      ['no', 'yes'],
      [
        { features: ['a', 'once'], is: 1, weight: 1, text: '1' },
        { features: ['a', 'once'], is: 1, weight: 1, text: '1' },
        { features: ['a'], is: 1, weight: 1, text: '2' },
        { features: ['b'], is: 0, weight: 1, text: '3' },
        { features: ['b'], is: 0, weight: 1, text: '4' },
      ],
    );
    expect(Object.keys(weights)).toEqual(['a', 'b']);
    expect(weights.a?.[1]).toBeGreaterThan(0);
    expect(weights.b?.[1]).toBeLessThan(0);
  });
});

describe('what is read', () => {
  const facts = (text: string) => readPrompt(text).facts.map((f) => `${f.fact}=${String(f.value)}`);

  it('is the response’s where no replies are asked for', () => {
    expect(facts('The last word\n\nSay it in at least 80 words.')).toEqual(['response.words.min=80']);
  });

  it('has one deadline for both where only one is said', () => {
    const read = facts('Write 200 words and reply to two classmates. Everything by Friday, 18:00.');
    expect(read).toContain('due.response.weekday=fri');
    expect(read).toContain('due.replies.weekday=fri');
  });

  it('of a long text goes on with the grammar where the looking ends', () => {
    const long = `${'On and on it goes.\n'.repeat(1_300)}\nWrite at least 250 words.`;
    expect(facts(long)).toContain('response.words.min=250');
  });
});
