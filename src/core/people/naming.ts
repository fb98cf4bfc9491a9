import { z } from 'zod';
import { storable } from '../document/document';

/** A name as people write their own: any script, one letter or two hundred characters. */
export const personNameSchema = z
  .string()
  .transform((text) => storable(text).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().min(1).max(200));

/**
 * A mail address as one types it: something, one at-sign, a host. Whether it is anybody's only a mail can tell, so no more is asked
 * (RFC 5321, 4.5.3.1: at most 64 octets before the sign, 255 after it).
 */
export const mailAddressSchema = z
  .string()
  .transform((text) => storable(text).trim())
  .pipe(z.string().regex(/^[^\s@<>()",;:\\[\]]{1,64}@[^\s@<>()",;:\\[\]]{1,255}$/u));

/** For so long an account that its owner ended can be opened again; then it is erased. */
export const DAYS_TO_REGRET = 30;

/** How long a password must be at least, and may be at most. */
export const PASSWORD_LENGTH = { least: 12, most: 200 } as const;

export type PasswordProblem = 'too-short' | 'too-long' | 'too-plain' | 'is-yours';

/** Few different characters, or one run of neighbours: "aaaaaaaaaaaa", "123456789012". */
function isPlain(password: string): boolean {
  const points = [...password.toLowerCase()].map((c) => c.codePointAt(0) ?? 0);
  const steps = points.slice(1).map((p, i) => p - (points[i] ?? 0));
  return new Set(points).size < 5 || steps.every((s) => s === 1 || s === -9) || steps.every((s) => s === -1);
}

/**
 * What speaks against a password, or null. Length is what makes one hard to guess; no kinds of characters are asked for (OWASP ASVS
 * 5.0, 6.2: at least eight, no rules of composition, none that is about the person or the place).
 *
 * @param own what a stranger would try first: the person's name and address, the college's name
 * @example passwordProblem('river', []) // 'too-short'
 */
export function passwordProblem(password: string, own: readonly string[]): PasswordProblem | null {
  const length = [...password].length;
  if (length < PASSWORD_LENGTH.least) return 'too-short';
  if (length > PASSWORD_LENGTH.most) return 'too-long';
  if (isPlain(password)) return 'too-plain';
  const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');
  const said = bare(password);
  const taken = own
    .flatMap((text) => [bare(text), bare(text.split('@')[0] ?? '')])
    .filter((w) => w.length > 3);
  // What is left beside a name is what has to be guessed.
  return taken.some((w) => said.includes(w) && said.length - w.length < 6) ? 'is-yours' : null;
}
