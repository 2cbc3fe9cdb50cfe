import type { Edit, EditDone, Problem } from "../app/api";
import { backOff } from "./live";

/** Something a person wants done to the plan. Its request names it: sent twice it is done once. */
export interface Wish {
  request: string;
  what: Edit | "undo" | "redo";
  /** The revision it was made at. */
  base: number;
  schemeId: string;
}

/** What the server said: done, refused, or nothing that settles it, with the reason in words. */
export type Said = { done: EditDone } | { problem: Problem } | { later: string };
export type Settled = Exclude<Said, { later: string }>;

interface Kept {
  make: () => Wish;
  wish: Wish | null;
  /** Whether it had to wait for a server that did not answer. */
  waited: boolean;
  done: (done: boolean) => void;
}

/** How many wait, and why when that is not just their turn. */
export interface Waiting {
  count: number;
  why: string;
}

/**
 * What a person does, kept until the server has answered it. One goes after another, in order; while the server, the link or
 * the database is away they are kept and tried again, and a page that is loaded anew finds them in its store.
 */
export class Outbox {
  private readonly line: Kept[] = [];
  private running = false;
  private why = "";
  private wakeUp: () => void = () => {};

  constructor(
    private readonly send: (wish: Wish) => Promise<Said>,
    /** Takes over what came of one, before the next is made; whether it was done. */
    private readonly settle: (said: Settled, wish: Wish | null, waited: boolean) => boolean,
    private readonly told: (waiting: Waiting) => void,
    private readonly store: Pick<Storage, "getItem" | "setItem" | "removeItem"> | null = null,
    private readonly key = "",
    private readonly pause = (ms: number) => new Promise<void>((done) => setTimeout(done, ms)),
  ) {}

  /**
   * Puts something in line; answers, when it is done or refused, whether it was done. One that builds on the plan as it is
   * comes as a function, asked when its turn has come.
   */
  put(make: () => Wish): Promise<boolean> {
    return new Promise((done) => {
      this.line.push({ make, wish: null, waited: this.why !== "", done });
      this.keep();
      this.tell();
      void this.run();
    });
  }

  /** Takes up what an earlier page kept. */
  restore() {
    const kept = this.store?.getItem(this.key);
    if (!kept) return;
    for (const wish of JSON.parse(kept) as Wish[])
      this.line.push({ make: () => wish, wish, waited: true, done: () => {} });
    this.tell();
    void this.run();
  }

  /** The server is there again: no need to wait longer. */
  wake() {
    this.wakeUp();
  }

  private tell() {
    this.told({ count: this.line.length, why: this.why });
  }

  private keep() {
    if (!this.store) return;
    if (!this.why) return this.store.removeItem(this.key);
    const wishes = this.line.flatMap((kept) => {
      try {
        return [(kept.wish ??= kept.make())];
      } catch {
        return [];
      }
    });
    this.store.setItem(this.key, JSON.stringify(wishes));
  }

  private async run() {
    if (this.running) return;
    this.running = true;
    for (let tries = 0; this.line.length > 0;) {
      const first = this.line[0]!;
      const said = await this.sendFirst(first);
      if ("later" in said) {
        this.why = said.later;
        for (const kept of this.line) kept.waited = true;
        this.keep();
        this.tell();
        await Promise.race([this.pause(backOff(tries++)), new Promise<void>((done) => (this.wakeUp = done))]);
        continue;
      }
      [tries, this.why] = [0, ""];
      this.line.shift();
      this.keep();
      this.tell();
      first.done(this.settle(said, first.wish, first.waited));
    }
    this.running = false;
  }

  private async sendFirst(first: Kept): Promise<Said> {
    try {
      first.wish ??= first.make();
    } catch {
      return {
        problem: { field: "edit", message: "What this was about is no longer there.", canBeSure: false },
      };
    }
    return this.send(first.wish).catch(() => ({ later: "the server does not answer" }));
  }
}
