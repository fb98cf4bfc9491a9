import type { DiscussionHead, PromptChange } from '@/contract/discussion';
import { ruleChanges } from '@/core/outside/rule-changes';
import { ok, type Result } from '@/core/result';
import { promptVersionsOf, type PromptVersion } from '@/db/queries/prompt-versions';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { compareFor } from '../drafts/compare';
import { rulesOf } from '../outside/confirm';
import { headOf } from './head';

export type PromptChanges = { head: DiscussionHead; changes: PromptChange[] };

/** Every change of what a discussion asks for since the class sees it, newest first: for whoever may read the prompt. */
export async function promptChanges(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<PromptChanges, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const { record } = door.value;
  const now = rulesOf({ record: { ...record, brief: record.classBrief } });
  const before = await promptVersionsOf(deps.db, record.id);
  const rules = (v: PromptVersion) => ({
    ...now,
    title: v.title,
    brief: v.brief,
    late: v.late,
    responseDue: v.responseDue,
    repliesDue: v.repliesDue,
  });
  const states = [
    ...before.map((v) => ({ rules: rules(v), title: v.title, doc: v.prompt })),
    { rules: now, title: record.title, doc: record.prompt },
  ];
  const changes: PromptChange[] = [];
  for (const [i, version] of before.entries()) {
    const [was, is] = [states[i], states[i + 1]];
    if (!was || !is) continue;
    const same = JSON.stringify(was.doc) === JSON.stringify(is.doc);
    changes.push({
      at: version.until,
      by: version.by,
      rules: ruleChanges(was.rules, is.rules),
      text: same ? 'same' : 'changed',
      compared: same
        ? null
        : await compareFor(deps, actor, { title: '', doc: was.doc }, { title: '', doc: is.doc }, true),
    });
  }
  return ok({ head: headOf(deps, door.value), changes: changes.reverse() });
}
