/** An expected outcome: either a value, or a failure with a code that the interface puts into words. */
export type Result<T, F extends { code: string }> = { ok: true; value: T } | { ok: false; failure: F };

/** @example ok(3) // { ok: true, value: 3 } */
export const ok = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
/** @example fail({ code: 'gone' }) // { ok: false, failure: { code: 'gone' } } */
export const fail = <F extends { code: string }>(failure: F): { ok: false; failure: F } => ({
  ok: false,
  failure,
});
