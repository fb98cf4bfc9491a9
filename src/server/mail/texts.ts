import type { Letter, LetterPart } from './letter';
import { invitationAt, passwordAt, confirmAddressAt, weekAt, accountAt } from '@/contract/addresses';

/** What a mail is about, as it is looked up when it leaves. `link` opens one thing once. */
export type MailText =
  | {
      kind: 'invitation';
      college: string;
      name: string;
      by: string | null;
      place: { code: string; title: string } | null;
      role: string;
      key: string;
      until: string;
    }
  | {
      kind: 'let-in';
      college: string;
      name: string;
      place: { code: string; title: string } | null;
      role: string;
    }
  | { kind: 'password'; college: string; name: string; key: string }
  | { kind: 'have-account'; college: string; name: string }
  | {
      kind: 'password-changed' | 'second-factor-on' | 'second-factor-off';
      college: string;
      name: string;
    }
  | { kind: 'passkey-made' | 'passkey-gone'; college: string; name: string; key: string }
  | { kind: 'recovery-code-used'; college: string; name: string; left: number }
  | { kind: 'address'; college: string; name: string; key: string }
  | { kind: 'address-changed'; college: string; name: string; to: string };

const AS: Record<string, string> = {
  student: 'a student',
  instructor: 'an instructor',
  assistant: 'an assistant',
  observer: 'an observer, who reads along and writes nothing',
  steward: 'a steward: somebody who looks after its people and courses',
};

const where = (t: { place: { code: string; title: string } | null; college: string; role: string }) =>
  t.place
    ? `${t.place.code} ${t.place.title}, as ${AS[t.role] ?? t.role}`
    : `${t.college}, as ${AS[t.role] ?? t.role}`;

/**
 * The subject and the words of a mail. A key stands behind a `#`, which no browser sends to any server: no log on the way keeps it.
 *
 * @param site the address under which people reach Pulpit
 */
export function accountLetter(t: MailText, site: string): Letter {
  const { subject, text } = said(t, site);
  return {
    subject,
    preview: `${t.college}, about your account`,
    hello: helloTo(t.name),
    parts: text,
    foot: [],
    from: `${t.college}, by Pulpit`,
  };
}

export const helloTo = (name: string) => (name ? `Hello ${name},` : 'Hello,');

/** What stands before an address on its last line is what is said of it. */
function partsOf(paragraph: string): LetterPart[] {
  const [, before = '', href] = /^([\s\S]*?):?\s(https?:\/\/\S+)$/u.exec(paragraph) ?? [];
  return href
    ? [{ kind: 'link', text: before, label: 'Open it in Pulpit', href }]
    : [{ kind: 'paragraph', text: paragraph }];
}

function said(t: MailText, site: string): { subject: string; text: LetterPart[] } {
  const at = (path: string, key?: string) => `${site}${path}${key ? `#${key}` : ''}`;
  const paragraphs = (...all: string[]) => all.flatMap(partsOf);
  const notYou = `If it was not you, ask for a new password on the sign-in page at once, and tell your college. Your account: ${at(accountAt())}`;
  switch (t.kind) {
    case 'invitation':
      return {
        subject:
          t.role === 'alone' ? 'Your account' : `You are invited to ${t.place ? t.place.code : t.college}`,
        text: paragraphs(
          t.role === 'alone'
            ? `You asked for an account for yourself at ${t.college}, for prompts of courses that live elsewhere.`
            : `${t.by ?? t.college} invites you to ${where(t)}.`,
          `Open this to choose a password and begin. It works once, until ${t.until}:\n${at(invitationAt(), t.key)}`,
          'If you do not know why this came to you, leave it alone: nothing happens then.',
        ),
      };
    case 'have-account':
      return {
        subject: 'You have an account already',
        text: paragraphs(
          `Somebody, most likely you, asked for an account under this address. You have one: sign in with it, or ask for a new password there.\n${at(weekAt())}`,
          'If it was not you, leave this alone: nothing was changed.',
        ),
      };
    case 'let-in':
      return {
        subject: `You are in ${t.place ? t.place.code : t.college} now`,
        text: paragraphs(`You are in ${where(t)}.`, `Sign in with the account you have:\n${at(weekAt())}`),
      };
    case 'password':
      return {
        subject: 'A new password for Pulpit',
        text: paragraphs(
          'Somebody, most likely you, asked for a new password.',
          `Open this to choose one. It works once, for 30 minutes:\n${at(passwordAt(), t.key)}`,
          'If it was not you, leave this alone: your password stays as it is.',
        ),
      };
    case 'password-changed':
      return {
        subject: 'Your password was changed',
        text: paragraphs(
          'The password of your account was changed just now. Wherever else you were signed in, you are signed out.',
          'If it was not you, ask for a new password on the sign-in page at once, and tell your college.',
        ),
      };
    case 'second-factor-on':
      return {
        subject: 'Your account asks for a second factor now',
        text: paragraphs(
          'From now on a code of your authenticator is asked for beside your password.',
          notYou,
        ),
      };
    case 'second-factor-off':
      return {
        subject: 'Your account asks for no second factor any more',
        text: paragraphs('From now on your password alone signs you in.', notYou),
      };
    case 'passkey-made':
      return {
        subject: 'A passkey was added to your account',
        text: paragraphs(`The passkey “${t.key}” signs you in from now on.`, notYou),
      };
    case 'passkey-gone':
      return {
        subject: 'A passkey was taken from your account',
        text: paragraphs(`The passkey “${t.key}” signs nobody in any more.`, notYou),
      };
    case 'recovery-code-used':
      return {
        subject: 'A recovery code was used',
        text: paragraphs(
          `Somebody, most likely you, signed in with one of your recovery codes. ${
            t.left === 0
              ? 'None is left: make new ones on your account page.'
              : `${t.left} ${t.left === 1 ? 'is' : 'are'} left.`
          }`,
          notYou,
        ),
      };
    case 'address':
      return {
        subject: 'Is this your mail address?',
        text: paragraphs(
          `Somebody, most likely you, wants to use this address for an account at ${t.college}.`,
          `Open this to confirm it. It works once, for a day:\n${at(confirmAddressAt(), t.key)}`,
          'If it was not you, leave this alone: nothing changes then.',
        ),
      };
    case 'address-changed':
      return {
        subject: 'Your mail address was changed',
        text: paragraphs(
          `Your account uses ${t.to} from now on, and no mail comes here any more.`,
          `If it was not you, tell your college at once. Your account: ${at(accountAt())}`,
        ),
      };
  }
}
