import 'server-only';

/** Every time zone that can be chosen. */
export const zones = (): string[] => [...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC'])];
