import type { Instant } from '@/core/ids';
import type { PasskeyLine } from './ways-in';

/** Where help is found: whose, and by which ways. */
export type HelpFound = { college: string; telephone: string; mail: string; hours: string };

/** Where somebody is signed in. */
export type Device = { id: string; browser: string; started: Instant; seen: Instant; here: boolean };

/** What leaving a course means: how much was shared there, and what becomes of it. */
export type LeavingPage = {
  id: string;
  code: string;
  title: string;
  posts: number;
  leavers: 'stay' | 'withdraw';
};

/** A person's own account, as its page shows it. */
export type AccountPage = {
  name: string;
  saidAs: string;
  email: string;
  timeZone: string;
  theme: 'system' | 'light' | 'dark';
  spelling: 'en-GB' | 'en-US';
  clock: '12' | '24';
  /** 1 for Monday to 7 for Sunday. */
  weekBegins: number;
  /** Where one's picture is seen. */
  picture: string | null;
  hasPassword: boolean;
  /** One of the demo's: everybody knows its password, so it is not changed. */
  demo: boolean;
  /** Whether a second factor is asked for, and how many recovery codes are left. */
  second: { on: boolean; codesLeft: number };
  passkeys: PasskeyLine[];
  /** Whether one may come by the college's sign-on. */
  signOn: boolean;
  devices: Device[];
  courses: {
    id: string;
    code: string;
    title: string;
    role: string;
    posts: number;
    leavers: 'stay' | 'withdraw';
  }[];
  asked: { code: string; title: string }[];
};
