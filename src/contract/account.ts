import type { Instant } from '@/core/ids';

/** Where somebody is signed in. */
export type Device = { id: string; browser: string; started: Instant; seen: Instant; here: boolean };

/** A person's own account, as its page shows it. */
export type AccountPage = {
  name: string;
  saidAs: string;
  email: string;
  timeZone: string;
  theme: 'system' | 'light' | 'dark';
  spelling: 'en-GB' | 'en-US';
  hasPassword: boolean;
  /** One of the demo's: everybody knows its password, so it is not changed. */
  demo: boolean;
  devices: Device[];
  courses: { id: string; code: string; title: string; role: string; posts: number }[];
  asked: { code: string; title: string }[];
};
