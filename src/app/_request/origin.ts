import 'server-only';
import { app } from '@/runtime/app';

/** The address under which people reach Pulpit, as this request says it. */
export function originOf(headers: Pick<Headers, 'get'>): string {
  const host = headers.get('x-forwarded-host') ?? headers.get('host') ?? 'localhost';
  return `${app().config.secureCookies ? 'https' : 'http'}://${host}`;
}
