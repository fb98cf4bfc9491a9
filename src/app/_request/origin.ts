import 'server-only';
import { app } from '@/runtime/app';

/** The host a request was for. What a proxy says of it is believed where there is one of one's own. */
export const hostOf = (headers: Pick<Headers, 'get'>): string | null =>
  (app().config.proxies > 0 ? headers.get('x-forwarded-host') : null) ?? headers.get('host');

/** The address under which people reach Pulpit, as this request says it. */
export function originOf(headers: Pick<Headers, 'get'>): string {
  const host = hostOf(headers) ?? 'localhost';
  return `${app().config.secureCookies ? 'https' : 'http'}://${host}`;
}
