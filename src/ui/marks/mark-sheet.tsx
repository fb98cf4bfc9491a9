'use client';

import Link from 'next/link';
import { useEffectEvent, useLayoutEffect, useRef, useState } from 'react';
import { deskMarkingActAt } from '@/contract/addresses';
import { MARK, type MarkedStudent, type MarkingPage } from '@/contract/marks';
import { putIn } from '@/core/marks/kept-remarks';
import { scoreOf, type Mark } from '@/core/marks/mark';
import type { Criterion } from '@/core/rubric/rubric';
import { lateTaken, scoreText, VERDICTS } from '../words/marks';
import { moment } from '../words/time';
import type { Numbered } from '@/core/marks/comment';
import { markingAt } from './address';
import { Asked } from './asked';
import { CommentField } from './comment-field';
import { CriterionField } from './criterion-field';
import { hearsKeys, pressKeys } from '../frame/early';
import type { KeysAhead } from './keys-ahead';
import { LookFields } from './look-fields';
import { MoreField } from './more-field';
import { OverrideField } from './override-field';
import { RemarkKeys } from './remark-keys';
import { SecondRead } from './second-read';
import { TwoMarks } from './two-marks';
import type { KeptMark } from './mark-keeper';
import type { useMark } from './use-mark';

const KEEPING: Record<KeptMark['state'], string> = {
  kept: 'Kept',
  keeping: 'Keeping…',
  trying: 'No connection: trying again. Stay on this page.',
  refused: 'Not kept',
};

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && target.type !== 'radio'));

/** Where more is said than the remark: opened where there is any, and where one wants to. */
function More({
  course,
  one,
  mark,
  change,
}: {
  course: string;
  one: MarkedStudent;
  mark: Mark;
  change: (more: Mark['more']) => void;
}) {
  const [open, setOpen] = useState(mark.more !== null);
  return open ? (
    <MoreField course={course} name={one.name} more={mark.more} change={change} />
  ) : (
    <button
      type="button"
      className="link hidden min-h-6 justify-self-start text-[13px] scripted:inline"
      onClick={() => setOpen(true)}
    >
      Say it in a clip, or with a file
    </button>
  );
}

/** The right page: rubric, number or verdict, a remark, and what it comes to. Every key of it has a button. */
export function MarkSheet({
  page,
  one,
  kept,
  comments,
  chosen,
  fresh,
  comment,
  remarks,
  changeRemark,
  ahead,
}: {
  page: MarkingPage;
  one: MarkedStudent;
  kept: ReturnType<typeof useMark>;
  comments: readonly Numbered[];
  /** The comment that was pressed in the text, and the one that was begun just now. */
  chosen: string | null;
  fresh: string | null;
  /** Begins a comment on what is selected, with these words; false where nothing is. */
  comment: (body?: string) => boolean;
  remarks: readonly string[];
  changeRemark: (index: number, body: string) => void;
  ahead: KeysAhead;
}) {
  const { course, discussion, scheme, before, after } = page;
  const { keeper, mark, state, theirs } = kept;
  const change = (part: Partial<Mark>) => keeper.change(part);
  const criteria = scheme.by === 'rubric' ? scheme.rubric.criteria : [];
  const [turned, setTurned] = useState<number | null>(null);
  /** The criterion that a key is about. */
  const turnedTo = ({ levels }: Mark) => {
    const firstOpen = criteria.findIndex((c) => levels[c.id] === undefined);
    return turned ?? Math.max(0, firstOpen);
  };
  const at = turnedTo(mark);
  const remark = useRef<HTMLTextAreaElement>(null);
  const score = scoreOf(scheme, mark, one.late);

  const choose = (c: Criterion, level: number) => {
    change({ levels: { ...keeper.read().mark.levels, [c.id]: level } });
    setTurned(null);
  };
  /** Puts a kept remark where one writes: the field, else the passage that is selected, else what is said in general. */
  const put = (body: string) => {
    const field = document.activeElement;
    if (field instanceof HTMLTextAreaElement && field.form?.contains(field)) {
      const { text, at: cursor } = putIn(
        field.value,
        { from: field.selectionStart, to: field.selectionEnd },
        body,
      );
      field.setRangeText(text, 0, field.value.length);
      field.setSelectionRange(cursor, cursor);
      field.dispatchEvent(new Event('input', { bubbles: true }));
    } else if (!comment(body)) {
      const { remark: written } = keeper.read().mark;
      const end = written.length;
      change({ remark: putIn(written, { from: end, to: end }, body).text });
    }
  };
  const act = (key: string): boolean => {
    // As it is, and not as it was drawn: keys that waited for this student come one right after the other, before anything is drawn anew.
    const at = turnedTo(keeper.read().mark);
    const digit = /^[1-9]$/u.test(key) ? Number(key) - 1 : -1;
    const current = criteria[at];
    if (digit >= 0 && current?.levels[digit]) choose(current, digit);
    else if (digit >= 0 && scheme.by === 'verdict' && digit < 2)
      change({ verdict: digit === 0 ? 'done' : 'again' });
    else if (key === 'ArrowDown' && criteria.length) setTurned(Math.min(criteria.length - 1, at + 1));
    else if (key === 'ArrowUp' && criteria.length) setTurned(Math.max(0, at - 1));
    else if (key === 'c') comment();
    else if (key === 'r') remark.current?.focus();
    else return false;
    return true;
  };
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    const kept = e.altKey && !e.ctrlKey && !e.metaKey ? /^Digit([1-9])$/u.exec(e.code) : null;
    const body = kept && remarks[Number(kept[1]) - 1]?.trim();
    if (body) {
      put(body);
      e.preventDefault();
    }
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'Escape' && e.target === remark.current) remark.current?.blur();
    // Going on to the next, or back, is the frame's.
    if (e.key === 'j' || e.key === 'k' || inField(e.target)) return;
    if (ahead.hear(e.key)) return;
    if (act(e.key)) e.preventDefault();
  });
  // With the page itself, not after it is drawn: the next key may be there already.
  useLayoutEffect(() => {
    const hear = (e: KeyboardEvent) => onKey(e);
    addEventListener('keydown', hear);
    hearsKeys('page');
    void pressKeys(ahead.arrive());
    return () => removeEventListener('keydown', hear);
  }, [ahead]);

  const place = { course: course.slug, slug: discussion.slug, person: one.id };
  const to = (student: string) => markingAt(page, student);
  return (
    <form
      action={deskMarkingActAt(course.slug, discussion.slug)}
      method="post"
      className="flex min-h-0 grow flex-col bg-page-2"
      aria-label={`Mark for ${one.name}`}
      data-own-keys=""
    >
      <input type="hidden" name="student" value={one.id} />
      <LookFields look={page.look} />
      <input type="hidden" name="base" value={one.revision} />
      {mark.more ? <input type="hidden" name="more" value={JSON.stringify(mark.more)} /> : null}
      <input type="hidden" name="comments" value={JSON.stringify(mark.comments)} />
      <div className="grid grow content-start gap-3 overflow-auto px-4 py-3.5 sm:px-5">
        {theirs ? <TwoMarks theirs={theirs} mine={mark} scheme={scheme} keeper={keeper} /> : null}
        {one.second ? (
          <SecondRead second={one.second} mark={mark} scheme={scheme} take={(part) => change(part)} />
        ) : null}
        {page.look.second ? (
          <p className="rounded-control bg-page px-3 py-2 text-[13.5px]">
            Your second reading. It is compared with the mark once both are written in full, and never shown
            to {page.look.covered ? 'the student' : one.name}.
          </p>
        ) : null}
        {criteria.map((c, i) => (
          <CriterionField
            key={c.id}
            criterion={c}
            level={mark.levels[c.id] ?? null}
            proposed={one.proposed[c.id] ?? null}
            current={i === at}
            choose={(level) => choose(c, level)}
          >
            <Asked criterion={c.id} name={c.title} talk={one.talk} zone={course.zone} place={place} />
          </CriterionField>
        ))}
        <Asked criterion={MARK} name="the mark" talk={one.talk} zone={course.zone} place={place} />
        {scheme.by === 'points' ? (
          <label className="grid gap-1 font-semibold">
            Points, of {scheme.of}
            <input
              className="field w-32 text-[18px] tabular-nums"
              type="number"
              name="points"
              min={0}
              step="any"
              value={mark.points ?? ''}
              onChange={(e) =>
                change({ points: e.target.value === '' ? null : Math.max(0, Number(e.target.value)) })
              }
            />
          </label>
        ) : null}
        {scheme.by === 'verdict' ? (
          <fieldset>
            <legend className="font-semibold">The part is</legend>
            <div className="mt-1 flex gap-2">
              {(['done', 'again'] as const).map((v, i) => (
                <label
                  key={v}
                  className={`flex min-h-10 grow items-center gap-2 rounded-control border px-3 py-1.5 ${
                    mark.verdict === v ? 'border-pine bg-pine-tint font-semibold' : 'border-rule bg-page'
                  }`}
                >
                  <input
                    type="radio"
                    name="verdict"
                    value={v}
                    checked={mark.verdict === v}
                    onChange={() => change({ verdict: v })}
                    className="size-4 accent-(--pine)"
                  />
                  {VERDICTS[v]} <kbd className="ml-auto hidden lg:scripted:inline">{i + 1}</kbd>
                </label>
              ))}
            </div>
          </fieldset>
        ) : null}
        {comments.length ? (
          <ul className="grid gap-2" aria-label="Comments">
            {comments.map((item) => (
              <CommentField
                key={item.comment.id}
                item={item}
                fresh={item.comment.id === fresh}
                chosen={item.comment.id === chosen}
                talk={one.talk[item.comment.id] ?? null}
                zone={course.zone}
                place={place}
                change={(part) =>
                  change({
                    comments: mark.comments.map((c) => (c.id === item.comment.id ? { ...c, ...part } : c)),
                  })
                }
                remove={() => change({ comments: mark.comments.filter((c) => c.id !== item.comment.id) })}
              />
            ))}
          </ul>
        ) : null}
        <label className="grid gap-1 text-[13px] font-semibold">
          <span>
            In general <kbd className="hidden lg:scripted:inline">r</kbd>
          </span>
          <textarea
            ref={remark}
            name="remark"
            rows={4}
            maxLength={10_000}
            placeholder="Say one thing to keep and one to change"
            className="field font-serif text-[15px] font-normal"
            value={mark.remark}
            onChange={(e) => change({ remark: e.target.value })}
          />
        </label>
        <More
          key={kept.came}
          course={course.slug}
          one={one}
          mark={mark}
          change={(more) => change({ more })}
        />
        <RemarkKeys course={course.slug} remarks={remarks} change={changeRemark} put={put} />
        {scheme.by === 'rubric' || scheme.by === 'points' ? (
          <OverrideField override={mark.override} change={(override) => change({ override })} />
        ) : null}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-rule px-4 py-2.5 sm:px-5">
        <p aria-live="polite">
          {score.points === null ? (
            <b>
              {scheme.by === 'verdict' ? (mark.verdict ? VERDICTS[mark.verdict] : 'nothing said yet') : ''}
            </b>
          ) : (
            <>
              <b className="font-serif text-[26px] text-pine-ink tabular-nums">{score.points}</b> of{' '}
              {score.of}
              {score.open ? ' so far' : ''}
            </>
          )}
          <span className="block text-[12.5px] text-ink-2">
            {score.taken > 0 && one.late ? `${lateTaken(one.late, score.taken)}. ` : ''}
            {one.released
              ? `${one.name} sees ${scoreText(one.released.score, one.released.verdict)}, since ${moment(one.released.releasedAt, course.zone)}. `
              : ''}
            <span className="hidden scripted:inline">{KEEPING[state]}</span>
            {one.marker ? `, last written by ${one.marker}` : ''}
          </span>
        </p>
        <div className="ml-auto flex flex-wrap gap-2">
          <button type="submit" name="do" value="keep" className="btn scripted:hidden">
            Keep it
          </button>
          {before ? (
            <Link
              className="btn"
              href={to(before)}
              data-key-previous=""
              scroll={false}
              onClick={(e) => ahead.leave(e.detail === 0 ? 'k' : null)}
            >
              Back <kbd className="hidden lg:scripted:inline">k</kbd>
            </Link>
          ) : null}
          {after ? (
            <Link
              className="btn go"
              href={to(after)}
              data-key-next=""
              prefetch
              scroll={false}
              onClick={(e) => ahead.leave(e.detail === 0 ? 'j' : null)}
            >
              Next student <kbd className="hidden lg:scripted:inline">j</kbd>
            </Link>
          ) : null}
        </div>
      </div>
    </form>
  );
}
