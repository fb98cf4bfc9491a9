'use client';

import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import type { MarkedStudent, MarkingPage } from '@/contract/marks';
import { numbered } from '@/core/marks/comment';
import type { Mark } from '@/core/marks/mark';
import { FacingPages } from '../discussion/facing-pages';
import type { KeysAhead } from './keys-ahead';
import { HeldSheet } from './held-sheet';
import { MarkSheet } from './mark-sheet';
import { PartRead } from './part-read';
import { sendSecond, sendWhole, useMark } from './use-mark';
import { useSelected } from './use-selected';

/** One student: what they shared on the left page, with the passages that are commented on; the mark on the right. */
export function OneStudent({
  page,
  one,
  told,
  remarks,
  changeRemark,
  ahead,
}: {
  page: MarkingPage;
  one: MarkedStudent;
  told: (mark: Mark) => void;
  remarks: readonly string[];
  changeRemark: (index: number, body: string) => void;
  ahead: KeysAhead;
}) {
  const { course, discussion } = page;
  const kept = useMark(
    { course: course.slug, slug: discussion.slug, person: one.id },
    one,
    page.look.second ? sendSecond : sendWhole,
  );
  const { keeper, mark } = kept;
  const { selected, now, clear } = useSelected(one.posts);
  const [chosen, setChosen] = useState<string | null>(null);
  const [fresh, setFresh] = useState<string | null>(null);
  useEffect(() => {
    const tell = () => told(keeper.read().mark);
    // What waited for this student may have been pressed already.
    if (keeper.read().mark !== keeper.opened) tell();
    return keeper.subscribe(tell);
  }, [keeper, told]);

  const comments = numbered(
    mark.comments,
    one.posts.map((p) => p.id),
    // One that was written just now stands where it was selected.
    (c) => one.places[c.id] ?? (c.id in one.places ? null : { start: c.anchor.start, end: c.anchor.end }),
  );
  const comment = (body = ''): boolean => {
    const passage = one.state === 'held' ? null : now();
    if (!passage) return false;
    const id = crypto.randomUUID();
    window.getSelection()?.removeAllRanges();
    // At once: the next key is the first letter of the comment.
    flushSync(() => {
      keeper.change({ comments: [...keeper.read().mark.comments, { id, ...passage, body, instead: null }] });
      setFresh(id);
      setChosen(id);
      clear();
    });
    return true;
  };
  return (
    <FacingPages
      first="left"
      left={{
        name: 'Their part',
        page: (
          <PartRead
            page={page}
            one={one}
            comments={comments}
            chosen={chosen}
            choose={setChosen}
            selected={selected}
            comment={comment}
          />
        ),
      }}
      right={{
        name: 'Mark',
        page:
          one.state === 'held' ? (
            <HeldSheet page={page} one={one} />
          ) : (
            <MarkSheet
              page={page}
              one={one}
              kept={kept}
              comments={comments}
              chosen={chosen}
              fresh={fresh}
              comment={comment}
              remarks={remarks}
              changeRemark={changeRemark}
              ahead={ahead}
            />
          ),
      }}
    />
  );
}
