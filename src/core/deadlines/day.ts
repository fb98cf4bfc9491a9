const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * The calendar day (`YYYY-MM-DD`) of a moment in a zone. Used where only the day matters, so that the browser need
 * not load the time-zone library.
 *
 * @example dayIn(Date.parse('2026-10-13T23:30Z'), 'Europe/Berlin') // '2026-10-14'
 */
export function dayIn(at: number, zone: string): string {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone: zone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    formats.set(zone, format);
  }
  return format.format(at);
}
