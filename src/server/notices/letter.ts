import { eachDiscussionAt, lessMailAt, noticesAt, openNoticeAt } from '@/contract/addresses';
import { plainText } from '@/core/document/flatten';
import { slugOf, type PersonId } from '@/core/ids';
import { choiceFor } from '@/core/notices/kinds';
import { askTogether } from '@/db/ask';
import { askCollege } from '@/db/queries/college';
import { postChain } from '@/db/queries/hearers';
import { askAccount } from '@/db/queries/accounts';
import { noticesIn, type NoticeRecord } from '@/db/queries/notices';
import type { Letter, LetterPart } from '../mail/letter';
import type { MailHeaders } from '../mail/port';
import { helloTo } from '../mail/texts';
import type { Deps } from '../deps';
import type { Box } from '../secrets/box';
import { answerToken, bounceToken, lessToken, type LessKind } from './addresses';
import { placeName, linesOf, toldOf, stands, type Told } from './lines';

/** Where mail of an installation comes from and comes back to. */
export type MailHome = {
  site: string;
  /** What stands behind the @ of addresses and names of mails. */
  domain: string;
  /** Whether answers by mail are taken. */
  takesAnswers: boolean;
};

type Writing = Pick<Deps, 'db' | 'now'> & { box: Box; home: MailHome };

const MOST_QUOTED = 900;
const MOST_THREADS = 12;

const shorten = (text: string, most: number) => {
  const one = text.replace(/[ \t]+/gu, ' ').trim();
  return one.length > most ? `${one.slice(0, most).replace(/\s\S*$/u, '')} …` : one;
};

/** New posts, each thread once: its newest words, and what nobody has answered yet. */
function threadParts(n: NoticeRecord, told: Told): LetterPart[] {
  const quotable = told.quotable(n);
  const threads = new Map<number, { newest: number; posts: number; lonely: number }>();
  for (const post of n.waiting) {
    const found = told.posts.get(post);
    if (!found) continue;
    const t = threads.get(found.thread) ?? { newest: post, posts: 0, lonely: 0 };
    threads.set(found.thread, {
      newest: Math.max(t.newest, post),
      posts: t.posts + 1,
      lonely: t.lonely + (found.replies === 0 && post === found.thread ? 1 : 0),
    });
  }
  const all = [...threads.values()].sort((a, b) => b.newest - a.newest);
  return [
    ...all.slice(0, MOST_THREADS).flatMap(({ newest, posts, lonely }): LetterPart[] => {
      const found = told.posts.get(newest as NoticeRecord['waiting'][number]);
      if (!found) return [];
      const more = posts > 1 ? `, the newest of ${posts} in this thread` : '';
      const by = `${found.author}${more}${lonely ? ' · no reply yet' : ''}`;
      return [
        quotable && found.opening
          ? { kind: 'quote', text: shorten(found.opening, 180), by }
          : { kind: 'paragraph', text: by },
      ];
    }),
    ...(all.length > MOST_THREADS
      ? [{ kind: 'paragraph', text: `And ${all.length - MOST_THREADS} more threads.` } as const]
      : []),
  ];
}

/** What a notice says under its title in a mail. */
function partsUnder(group: readonly NoticeRecord[], told: Told): LetterPart[] {
  return group.flatMap((n): LetterPart[] => {
    if (n.kind === 'post') return threadParts(n, told);
    if (n.kind === 'announcement') {
      const a = told.announcements.get(String(n.about.announcement));
      return a ? [{ kind: 'paragraph', text: a.doc ? plainText(a.doc).trim() || a.body : a.body }] : [];
    }
    const post = n.post === null ? undefined : told.posts.get(n.post);
    return post && told.quotable(n)
      ? [
          {
            kind: 'quote',
            text: shorten(post.plain, MOST_QUOTED),
            by: group.length > 1 ? post.author : null,
          },
        ]
      : [];
  });
}

/** What it is called in mail programs: of one post by its place in its thread, so that they show the discussion's own order (RFC 5322, 3.6.4). */
async function threadOf(w: Writing, person: PersonId, notices: readonly NoticeRecord[], mail: string) {
  const [only] = notices;
  const name = (what: string) => `<${what}.${person}@${w.home.domain}>`;
  const root = only?.discussion ? [name(`discussion-${only.discussion.id}`)] : [];
  if (notices.length !== 1 || !only || only.post === null)
    return { messageId: `<${mail}@${w.home.domain}>`, references: notices.length === 1 ? root : [] };
  const above = await postChain(w.db, only.post);
  return {
    messageId: name(`post-${only.post}`),
    references: [...root, ...above.map((id) => name(`post-${id}`))],
  };
}

const isPost = ({ kind }: NoticeRecord) => kind === 'reply' || kind === 'name' || kind === 'post';

/** The one post that a mail is about; null where it is about more, or none. */
function onlyPost(notices: readonly NoticeRecord[]) {
  const [only] = notices;
  if (notices.length !== 1 || !only || !isPost(only)) return null;
  return only.post ?? (only.waiting.length === 1 ? (only.waiting[0] ?? null) : null);
}

async function headersOf(
  w: Writing,
  person: PersonId,
  notices: readonly NoticeRecord[],
  mail: string,
): Promise<MailHeaders> {
  const [first] = notices;
  const kinds = new Set(
    notices.map((n) => (n.kind === 'deadline' ? ('deadline' as const) : choiceFor(n.kind))),
  );
  const [kind] = kinds;
  const post = onlyPost(notices);
  const { domain, takesAnswers, site } = w.home;
  const course = new Set(notices.map((n) => n.course.id)).size === 1 ? first?.course : null;
  return {
    ...(await threadOf(w, person, notices, mail)),
    list: course
      ? { id: `${slugOf(course)}.${domain}`, name: `${course.code} ${course.title}` }
      : { id: `notices.${domain}`, name: 'Notices' },
    // What reaches everybody whatever they choose has no way out, and says so.
    less: kinds.size === 1 && kind ? `${site}${lessMailAt(lessToken(w.box, { person, kind }))}` : null,
    replyTo:
      takesAnswers && post !== null
        ? `answer-${answerToken(w.box, { person, post, now: w.now })}@${domain}`
        : null,
    returnTo: takesAnswers ? `back-${bounceToken(w.box, person)}@${domain}` : null,
  };
}

const LESS: Record<LessKind, string> = {
  reply: 'No mail about replies to you any more',
  name: 'No mail where your name stands any more',
  answer: 'No mail about answers to what you asked any more',
  mark: 'No mail about marks and comments any more',
  change: 'No mail about changed dates and prompts any more',
  post: 'No mail about new posts any more',
  desk: 'No mail about reports and requests any more',
  deadline: 'No reminders of deadlines any more',
};

function footOf(w: Writing, notices: readonly NoticeRecord[], headers: MailHeaders): Letter['foot'] {
  const { site } = w.home;
  const announcement = notices.some((n) => n.kind === 'announcement');
  const kinds = [...new Set(notices.map((n) => (n.kind === 'deadline' ? 'deadline' : choiceFor(n.kind))))];
  const [kind] = kinds;
  return [
    ...(headers.replyTo
      ? [
          {
            text: 'Answer this mail, and what you write waits in Pulpit as a draft under the post; it is shared only when you share it there.',
            href: null,
          },
        ]
      : []),
    announcement
      ? { text: 'Announcements reach everybody in the course by mail.', href: null }
      : { text: 'How notices reach you', href: `${site}${noticesAt()}` },
    ...(notices.some((n) => n.kind === 'post')
      ? [{ text: 'More or less of one discussion', href: `${site}${eachDiscussionAt()}` }]
      : []),
    ...(headers.less && kind ? [{ text: LESS[kind], href: headers.less }] : []),
  ];
}

/**
 * What a mail about notices says, as of now: only what has not been seen, what its reader may still see, and what is still owed. Null where
 * nothing of it is left, or there is nobody to say it to.
 */
export async function noticeLetter(
  w: Writing,
  mail: string,
  id: PersonId,
): Promise<{ name: string; letter: Letter; headers: MailHeaders } | null> {
  const { to, home, all } = await askTogether(w.db, {
    to: askAccount(w.db, id),
    home: askCollege(w.db),
    all: noticesIn(w.db, mail),
  });
  if (!to || to.ended !== null) return null;
  const actor = { id, name: to.name, timeZone: to.timeZone, previousVisit: null };
  const told = await toldOf(w, actor, all);
  const notices = all.filter((n) => stands(n, told));
  const lines = linesOf(notices, told).sort((a, b) => a.at - b.at);
  const [first] = lines;
  if (!first) return null;
  const { site } = w.home;
  const alone = lines.length === 1;
  const headers = await headersOf(w, id, notices, mail);
  const private_ = notices.some(
    (n) => n.kind === 'announcement' && told.announcements.get(String(n.about.announcement))?.chosen,
  );
  const [n] = notices;
  const where = alone && n ? placeName(n) : '';
  const title = private_ ? `An announcement for you` : first.title;
  const parts = lines.flatMap((line): LetterPart[] => {
    const group = line.ids.flatMap((lineId) => notices.filter((x) => x.id === lineId)).reverse();
    const href = `${site}${openNoticeAt(line.ids[0] ?? 0)}`;
    return alone
      ? [
          { kind: 'paragraph', text: `${line.title}\n${line.kind === 'deadline' ? '' : line.meta}`.trim() },
          ...partsUnder(group, told),
          {
            kind: 'link',
            text: line.kind === 'deadline' ? line.meta : '',
            label: 'Open it in Pulpit',
            href,
          },
        ]
      : [{ kind: 'item', title: line.title, meta: line.meta, href }, ...partsUnder(group, told)];
  });
  const from = home?.name ?? 'Pulpit';
  return {
    name: to.name,
    headers,
    letter: {
      subject: alone
        ? `${title}${where && !title.includes(where) ? ` · ${where}` : ''}`
        : `${lines.length} notices: ${title}, and more`,
      preview: alone ? `${where || from}, from Pulpit` : `${lines.length} notices from Pulpit`,
      hello: helloTo(to.name),
      parts,
      foot: footOf(w, notices, headers),
      from: home ? `${from}, by Pulpit` : from,
    },
  };
}
