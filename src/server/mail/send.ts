import { courseId, personId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { account, accountByAddress, type AccountRecord } from '@/db/queries/accounts';
import { college } from '@/db/queries/college';
import { hostedCourse } from '@/db/queries/hosted-courses';
import { invitation } from '@/db/queries/invitations';
import { MOST_TRIES, mailNotSent, mailSent, takeMail, type MailRecord } from '@/db/queries/mails';
import { giveUpMail } from '@/db/queries/deliveries';
import { setMailOff } from '@/db/queries/notice-rules';
import type { Deps } from '../deps';
import { newKey } from '../people/keys';
import { tellMailTrouble } from '../notices/happened';
import { noticeLetter, type MailHome } from '../notices/letter';
import type { Box } from '../secrets/box';
import { letterText, type Letter } from './letter';
import { letterHtml } from './letter-html';
import { Refused, type MailHeaders, type MailPort } from './port';
import { accountLetter, type MailText } from './texts';

const WEEK_MS = 7 * 86_400_000;

/** A moment as a mail says it: the reader's own zone is not known yet, so the college's stands beside. */
const inWords = (at: number, timeZone: string) =>
  `${new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short', timeZone }).format(at)} (${timeZone.replace(/_/gu, ' ')})`;

type Sending = { db: Db; now: Deps['now']; demo: boolean; box: Box };

const said = (about: MailRecord['about'], name: string) => {
  const value = about[name];
  return typeof value === 'string' ? value : null;
};

async function place(db: Db, course: string | null) {
  const found = course ? await hostedCourse(db, courseId(course)) : null;
  return found && { code: found.code, title: found.title };
}

/** Whom a mail about an account speaks to: nobody where it was ended meanwhile. */
async function whom({ db }: Sending, about: MailRecord['about']): Promise<AccountRecord | null> {
  const id = said(about, 'person');
  const found = id ? await account(db, personId(id)) : null;
  return found && found.ended === null ? found : null;
}

/** What a mail says, with a key made for it now; null where there is nobody to say it to any more. */
async function textOf(s: Sending, mail: MailRecord): Promise<{ name: string; text: MailText } | null> {
  const home = await college(s.db);
  const name = home?.name ?? 'Pulpit';
  switch (mail.kind) {
    case 'invitation': {
      const id = said(mail.about, 'invitation');
      const found = id ? await invitation(s.db, id) : null;
      if (!found || found.accepted || found.takenBack) return null;
      const key = await newKey(s, 'invitation', { invitation: found.id });
      const until = inWords(s.now + WEEK_MS, home?.timeZone ?? 'UTC');
      const role = found.steward ? 'steward' : (found.role ?? 'alone');
      return {
        name: found.name,
        text: {
          kind: 'invitation',
          college: name,
          name: found.name,
          by: found.by,
          place: found.course && { code: found.course.code, title: found.course.title },
          role,
          key,
          until,
        },
      };
    }
    case 'let-in': {
      const to = await whom(s, mail.about);
      if (!to) return null;
      const into = await place(s.db, said(mail.about, 'course'));
      const role = said(mail.about, 'role') ?? 'steward';
      return { name: to.name, text: { kind: 'let-in', college: name, name: to.name, place: into, role } };
    }
    case 'password': {
      // Only here is it looked at whose the address is, and whether anybody's.
      const to = await accountByAddress(s.db, mail.to);
      if (!to || to.ended !== null || (to.demo && !s.demo)) return null;
      const key = await newKey(s, 'password', { person: to.id });
      return { name: to.name, text: { kind: 'password', college: name, name: to.name, key } };
    }
    case 'address': {
      const to = await whom(s, mail.about);
      if (!to) return null;
      const key = await newKey(s, 'address', { person: to.id, address: mail.to });
      return { name: to.name, text: { kind: 'address', college: name, name: to.name, key } };
    }
    case 'have-account': {
      const to = await whom(s, mail.about);
      return to && { name: to.name, text: { kind: 'have-account', college: name, name: to.name } };
    }
    case 'password-changed':
    case 'second-factor-on':
    case 'second-factor-off': {
      const to = await whom(s, mail.about);
      return to && { name: to.name, text: { kind: mail.kind, college: name, name: to.name } };
    }
    case 'passkey-made':
    case 'passkey-gone': {
      const to = await whom(s, mail.about);
      const key = said(mail.about, 'name') ?? '';
      return to && { name: to.name, text: { kind: mail.kind, college: name, name: to.name, key } };
    }
    case 'recovery-code-used': {
      const to = await whom(s, mail.about);
      const left = Number(mail.about.left ?? 0);
      return to && { name: to.name, text: { kind: mail.kind, college: name, name: to.name, left } };
    }
    case 'address-changed': {
      const to = await whom(s, mail.about);
      return (
        to && { name: to.name, text: { kind: 'address-changed', college: name, name: to.name, to: to.email } }
      );
    }
    default:
      return null;
  }
}

type Written = { name: string; letter: Letter; headers: MailHeaders | null };

/** What a mail says, as of now. A key that is made for it is there for good before it leaves: whoever is quick opens a link at once. */
async function writtenFor(
  deps: Pick<Deps, 'db' | 'now'> & { box: Box },
  id: string,
  mail: MailRecord,
  { home, demo }: { home: MailHome; demo: boolean },
): Promise<Written | null> {
  if (mail.kind === 'notices') {
    const person = said(mail.about, 'person');
    return person ? noticeLetter({ ...deps, home }, id, personId(person)) : null;
  }
  const found = await deps.db.transaction((tx) => textOf({ ...deps, db: tx, demo }, mail));
  return found && { name: found.name, letter: accountLetter(found.text, home.site), headers: null };
}

/** It will not arrive: nothing more is sent there, and its person is told here. */
async function givenUp(
  deps: Pick<Deps, 'db' | 'now'>,
  id: string,
  person: string | null,
  why: string,
  forGood: boolean,
) {
  await deps.db.transaction(async (tx) => {
    await giveUpMail(tx, id, deps.now, why);
    if (!person) return;
    if (forGood) await setMailOff(tx, personId(person), { at: deps.now, why });
    await tellMailTrouble(tx, deps.now, personId(person), id, why);
  });
}

/**
 * Sends one mail. It is taken first, so that nobody else sends it. What cannot be written or handed over stays and is tried again, after pauses
 * that grow, with another key; what is refused for good, or was tried to the end, is given up, and its person is told.
 *
 * @throws where it could not be sent now, or is in somebody else's hands, who may be gone: in both cases it is to be tried again
 */
export async function sendMail(
  deps: Pick<Deps, 'db' | 'now'> & { box: Box },
  port: MailPort,
  to: { home: MailHome; demo: boolean },
  id: string,
): Promise<void> {
  const mail = await takeMail(deps.db, id);
  if (!mail) return;
  try {
    const written = await writtenFor(deps, id, mail, to);
    if (written) {
      const { letter, name, headers } = written;
      const html = await letterHtml(letter);
      const { subject } = letter;
      const text = letterText(letter);
      const whom = { name, address: mail.to };
      await port.send({ id, to: whom, subject, text, html, headers, date: new Date(deps.now) });
    }
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    const refused = error instanceof Refused;
    if (refused || mail.tries >= MOST_TRIES)
      return givenUp(deps, id, mail.kind === 'notices' ? said(mail.about, 'person') : null, why, refused);
    await mailNotSent(deps.db, id, why);
    throw error;
  }
  await mailSent(deps.db, id, deps.now);
}
