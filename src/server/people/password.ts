import { passwordProblem, type PasswordProblem } from '@/core/people/naming';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { college } from '@/db/queries/college';
import { hashPassword } from '../sessions/sessions';

export type PasswordFailure = { code: 'password'; why: PasswordProblem };

/** The hash of a new password, or what speaks against it. */
export async function newPassword(
  db: Db,
  password: string,
  of: { name: string; email: string; college?: string },
): Promise<Result<string, PasswordFailure>> {
  const own = [of.name, of.email, of.college ?? (await college(db))?.name ?? '', 'pulpit'];
  const why = passwordProblem(password, own);
  return why ? fail({ code: 'password', why }) : ok(await hashPassword(password));
}
