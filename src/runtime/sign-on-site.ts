import { createHash } from 'node:crypto';
import { choicePage } from '@/standins/sign-on/page';
import { DIRECTORY } from '@/standins/sign-on/site';
import { app } from './app';

/** What the stand-in sign-on is asked for itself; null where there is none. */
export const standInConfiguration = () => app().standInSignOn?.configuration() ?? null;
export const standInKeys = async () => app().standInSignOn?.keys() ?? null;
export const standInToken = async (fields: URLSearchParams) => app().standInSignOn?.token(fields) ?? null;

const OTHER = 'other';
const NOBODY = 'nobody';

function chosen(query: URLSearchParams) {
  const as = query.get('as');
  if (as !== OTHER) return DIRECTORY.find((p) => p.subject === as) ?? null;
  const email = query.get('as_email') ?? '';
  return {
    subject: `other-${createHash('sha256').update(email.toLowerCase()).digest('hex').slice(0, 16)}`,
    name: query.get('as_name') ?? '',
    email,
    verified: query.get('as_verified') === 'yes',
  };
}

/** The stand-in's page, or the way back once somebody was chosen; null where there is none. */
export function standInAuthorize(query: URLSearchParams): { page: string } | { to: string } | null {
  const provider = app().standInSignOn;
  if (!provider) return null;
  const as = query.get('as');
  if (as === null) return { page: choicePage(query) };
  const who = as === NOBODY ? null : chosen(query);
  const to = provider.chosen(query, who);
  return to === null ? null : { to };
}
