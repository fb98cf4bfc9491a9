import { Secret, TOTP } from 'otpauth';
import { newCode, plainCode } from '../secrets/codes';
import { hashOf } from '../secrets/tokens';

const SECRET_BYTES = 20;
const STEP_SECONDS = 30;
const DIGITS = 6;
/** A clock may be off by one step, either way (RFC 6238, 5.2). */
const WINDOW = 1;

export const newSecret = (): string => new Secret({ size: SECRET_BYTES }).base32;

const totp = (secret: string, issuer = 'Pulpit', label = '') =>
  new TOTP({ issuer, label, secret: Secret.fromBase32(secret), digits: DIGITS, period: STEP_SECONDS });

/** The address that an authenticator reads out of a picture. */
export const authenticatorAddress = (secret: string, college: string, label: string): string =>
  // A colon parts the two in an address of this kind.
  totp(secret, college.replace(/:/gu, ' '), label).toString();

/** The step of half a minute a code is of, at a moment in ms; null where it is none of this secret's. */
export function stepOf(secret: string, code: string, at: number): number | null {
  const token = code.replace(/\s/gu, '');
  if (!/^\d{6}$/u.test(token)) return null;
  const off = totp(secret).validate({ token, timestamp: at, window: WINDOW });
  return off === null ? null : Math.floor(at / 1_000 / STEP_SECONDS) + off;
}

const RECOVERY_CODES = 10;
const GROUPS = 4;

/** Ten codes that each let somebody in once without their authenticator: 79 bits by chance each. */
export const newRecoveryCodes = (): string[] => Array.from({ length: RECOVERY_CODES }, () => newCode(GROUPS));

/** What is kept of a recovery code, however it is typed. */
export const recoveryHash = (code: string): Buffer => hashOf(`recovery ${plainCode(code)}`);

/** Whether something typed can be a recovery code: groups, where a code of now has six digits. */
export const looksLikeRecovery = (code: string): boolean => plainCode(code).split('-').length === GROUPS;
