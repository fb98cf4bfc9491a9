/** What waits for a thread, a person's things in their order and the persons in turn. */
type Waiting = { start: () => void };

/**
 * Deals out `lanes` places to work so that nobody keeps the others waiting: a person works in one lane at a time, whoever
 * waits longest for a turn has the next one, and of what waits for one person at most `most` is taken.
 */
export class FairQueue {
  private readonly waiting = new Map<string, Waiting[]>();
  private readonly working = new Set<string>();

  constructor(
    private readonly lanes: number,
    private readonly most: number,
  ) {}

  /** Does the work when it is its person's turn; null at once where too much of theirs waits. */
  async take<T>(person: string, work: () => Promise<T>): Promise<T | null> {
    if ((this.waiting.get(person)?.length ?? 0) >= this.most) return null;
    await new Promise<void>((start) => {
      const theirs = this.waiting.get(person) ?? [];
      theirs.push({ start });
      this.waiting.set(person, theirs);
      this.next();
    });
    try {
      return await work();
    } finally {
      this.working.delete(person);
      this.next();
    }
  }

  private next() {
    for (const [person, theirs] of [...this.waiting]) {
      if (this.working.size >= this.lanes) return;
      if (this.working.has(person)) continue;
      const first = theirs.shift();
      // A person who was served goes to the end of those who wait.
      this.waiting.delete(person);
      if (theirs.length) this.waiting.set(person, theirs);
      if (!first) continue;
      this.working.add(person);
      first.start();
    }
  }
}
