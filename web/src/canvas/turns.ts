/**
 * Things that a hand asks for faster than they can be answered: each waits for the one before it. What builds on one
 * that could not be done is dropped, and how many were is told.
 */
export class Turns {
  private last: Promise<unknown> = Promise.resolve();
  private run = 0;
  private waiting = 0;

  constructor(private readonly dropped: (count: number) => void = () => {}) {}

  /** Does it when its turn has come; false means that it could not be done. */
  take(work: () => Promise<boolean> | boolean): Promise<boolean> {
    const { run } = this;
    this.waiting++;
    const result = this.last.then(async () => {
      this.waiting--;
      if (run !== this.run) return false;
      const done = await work();
      if (!done) {
        // A new run begins: only what is asked from here on is done.
        this.run++;
        if (this.waiting > 0) this.dropped(this.waiting);
      }
      return done;
    });
    this.last = result.catch(() => {});
    return result;
  }
}
