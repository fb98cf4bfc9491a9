import { CHOSEN_KINDS } from './kinds';

/** A time as somebody types it. @example typedTime('8.30') // '08:30' */
export function typedTime(typed: string): string {
  const [, h, m] = /^\s*(\d{1,2})(?:\s*[:.h]\s*(\d{2}))?\s*$/u.exec(typed) ?? [];
  return h === undefined ? typed.trim() : `${h.padStart(2, '0')}:${m ?? '00'}`;
}

const times = (typed: string) =>
  typed
    .split(/[,;]| and |\s+(?=\d)/u)
    .map(typedTime)
    .filter((t) => t !== '');

/**
 * What the form of the rules says, for `rulesSchema` to read: the browser and the server read one form by this.
 *
 * @example rulesFromFields(new URLSearchParams('way-reply=once&gatheredAt=8, 13')).gatheredAt // ['08:00', '13:00']
 */
export const rulesFromFields = (fields: {
  get: (name: string) => string | null;
  getAll: (name: string) => string[];
}) => ({
  ways: Object.fromEntries(CHOSEN_KINDS.map((kind) => [kind, fields.get(`way-${kind}`) ?? 'once'])),
  gatheredAt: times(fields.get('gatheredAt') ?? ''),
  dailyAt: typedTime(fields.get('dailyAt') ?? ''),
  quiet:
    fields.get('quiet') === 'yes'
      ? { from: typedTime(fields.get('quietFrom') ?? ''), to: typedTime(fields.get('quietTo') ?? '') }
      : null,
  quietDays: fields.getAll('quietDay').map(Number),
  before: fields.getAll('before').map(Number),
});
