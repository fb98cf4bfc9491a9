import type { QuestionFilter, QuestionLine } from '@/contract/questions';
import { isStaff, type Instant, type PostId } from '@/core/ids';
import { peopleShown } from '@/core/questions/hands';
import { endOf } from '@/core/questions/meeting';
import { isOpen, stateOf } from '@/core/questions/state';
import type { QuestionRecord } from '@/db/queries/questions';
import {
  isUnreadFor,
  openingOf,
  stands,
  threadOf,
  type LoadedConversation,
} from '../discussions/loaded-conversation';

/** The questions one may read, each as it stands, the newest first. */
export function questionLines(
  loaded: LoadedConversation,
  questions: readonly QuestionRecord[],
  confirmed: ReadonlyMap<PostId, string>,
  fromStaff: ReadonlyMap<PostId, boolean>,
  now: Instant,
): QuestionLine[] {
  const { reader, entered } = loaded;
  return questions
    .flatMap((q): QuestionLine[] => {
      const tree = loaded.branches.get(q.post);
      if (!tree) return [];
      const { post } = tree;
      if (!stands(post) && post.author.id !== reader && !entered.staff) return [];
      const thread = threadOf(loaded, tree).map((b) => b.post);
      const inTime = thread.slice(1).sort((a, b) => a.sharedAt - b.sharedAt || a.id - b.id);
      const answers = thread.slice(1).filter((p) => stands(p) && p.author.id !== post.author.id);
      const state = stateOf(
        q.kind,
        inTime.map((p) => ({
          staff: isStaff(p.author.role),
          own: p.author.id === post.author.id,
          confirmed: confirmed.has(p.id),
          gone: !stands(p),
        })),
        q.answeredAt !== null,
      );
      const staffFirst = [...answers].sort(
        (a, b) => Number(isStaff(b.author.role)) - Number(isStaff(a.author.role)),
      );
      return [
        {
          number: q.number,
          post: post.id,
          title: openingOf(post) || 'A post that its author withdrew',
          kind: q.kind,
          state,
          audience: post.privateTo !== null ? 'staff' : post.grouped ? 'group' : 'everybody',
          author: post.author.name,
          mine: post.author.id === reader,
          cover: post.underCover ? (fromStaff.get(post.id) === false ? 'class' : 'all') : 'no',
          about: q.about,
          week: q.week,
          label: q.label,
          kept: q.keptAt !== null,
          at: post.sharedAt,
          by: [...new Set(staffFirst.map((p) => p.author.name))],
          answers: answers.length,
          taken:
            entered.staff || (post.privateTo !== null && post.author.id === reader)
              ? (q.taken?.name ?? null)
              : null,
          spared: q.spared,
          mergedInto: q.mergedInto,
          unread: thread.filter((p) => isUnreadFor(p, reader)).length,
          followed: loaded.followed.has(post.id),
          hands: q.hands && { ...q.hands, people: peopleShown(q.hands.people, q.hands.named) },
          meets: q.meets && {
            starts: q.meets.starts,
            over: now >= endOf(q.meets),
            calledOff: q.meets.calledOffAt !== null,
            free: q.meets.slots ? q.meets.slots - q.slotsTaken : null,
          },
          openWanted: q.openWanted,
        },
      ];
    })
    .sort((a, b) => b.at - a.at || b.number - a.number);
}

const SHOWN: Readonly<Record<QuestionFilter, (line: QuestionLine) => boolean>> = {
  // The corner is for anything, and apart from what is asked.
  all: (l) => l.kind !== 'corner',
  open: (l) => isOpen(l.state),
  yours: (l) => l.mine,
  followed: (l) => l.followed,
  unread: (l) => l.unread > 0,
  staff: (l) => l.audience === 'staff',
  meets: (l) => l.kind === 'meets' && !l.meets?.over && !l.meets?.calledOff,
  corner: (l) => l.kind === 'corner',
};

/** What a filter shows. @example shownBy('open') // what nobody, or classmates alone, have answered */
export const shownBy = (show: QuestionFilter) => SHOWN[show];
