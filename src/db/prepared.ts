/** A question is given a name when it is asked so many times, and no more are given than these: each connection keeps its plans. */
const OFTEN = 3;
const MOST_NAMES = 120;
/** Texts that are watched for being asked often. */
const MOST_TEXTS = 1_000;

/**
 * The questions that are asked again and again. On a page of many small ones PostgreSQL takes longer to plan them than to answer:
 * under a name it plans each once for a connection.
 */
export class Prepared {
  private readonly asked = new Map<string, number>();
  private readonly names = new Map<string, string>();

  /** The name under which a question is asked now; none while it is rare. */
  nameOf(text: string): string | undefined {
    const name = this.names.get(text);
    if (name !== undefined) return name || undefined;
    const times = (this.asked.get(text) ?? 0) + 1;
    if (times === 1 && this.asked.size >= MOST_TEXTS) return undefined;
    this.asked.set(text, times);
    if (times < OFTEN || this.names.size >= MOST_NAMES) return undefined;
    this.asked.delete(text);
    const given = `often ${this.names.size + 1}`;
    this.names.set(text, given);
    return given;
  }

  /** A question whose plan no longer fits is asked without a name from now on. */
  giveUp(text: string) {
    this.names.set(text, '');
  }
}

/** The tables of a question have other columns than when it was planned: an upgrade went on meanwhile. */
export const isOutdatedPlan = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && error.code === '0A000' && /cached plan/u.test(error.message);
