import { api, messageOf, type Edit, type EditDone, type Problem } from "../app/api";
import { Outbox, type Said, type Settled, type Waiting, type Wish } from "./outbox";
import { wordsOf } from "./words";

/** What is wrong with the last edit, with a way to say that it is meant or to take the likely meaning. */
export interface Refusal {
  problem: Problem;
  asSure: (() => void) | null;
}

/** Something that was kept while the server was away and could no longer be done when it was back. */
export interface Lost {
  words: string;
  message: string;
  again: (() => void) | null;
}

/** What the doing of a plan needs to know of it, and tells it. */
export interface Doer {
  readonly id: string;
  /** Who has it open. */
  readonly person: string;
  readonly schemeId: string;
  readonly revision: number;
  /** What each kind of edit does, in words. */
  readonly editWords: readonly { do: string; does: string }[];
  nameOf(id: string): string;
  done(done: EditDone): void;
}

/** Answers that settle nothing: the server or what it stands on is away, or the sign-in has run out. */
const away: Record<number, string> = {
  401: "sign in again in another window to go on",
  429: "the server is too busy",
  502: "the server does not answer",
  503: "the database cannot be reached",
  504: "the server does not answer",
  507: "the server's disk is full",
};

/** What this person does to a plan: sent in order, kept while nobody answers, and what came of it. */
export class Doing {
  waiting = $state.raw<Waiting>({ count: 0, why: "" });
  refusal = $state.raw<Refusal | null>(null);
  notice = $state("");
  lost = $state.raw<Lost[]>([]);

  private outbox: Outbox | null = null;
  /** Requests made by this page: what comes back under another name somebody else has done. */
  // Looked up, never rendered from.
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  private readonly sent = new Set<string>();

  constructor(private readonly plan: Doer) {}

  /** Begins, with what an earlier page of this window has left; once it is known who has the plan open. */
  begin() {
    if (this.outbox) return;
    this.outbox = new Outbox(
      (wish) => this.send(wish),
      (said, wish, waited) => this.settle(said, wish, waited),
      (waiting) => (this.waiting = waiting),
      sessionStorage,
      `wellsedes.kept.${this.plan.person}.${this.plan.id}`,
    );
    this.outbox.restore();
  }

  wake() {
    this.outbox?.wake();
  }

  isOurs(request: string | null | undefined) {
    return !!request && this.sent.has(request);
  }

  /**
   * Does an edit; the answer is true when it was done. One that builds on a thing as it is comes as a function, asked when
   * its turn has come. What others have changed after the base, the plan as it is now where none is given, it refuses to
   * overwrite.
   */
  do(wanted: Edit | (() => Edit), base = this.plan.revision): Promise<boolean> {
    return this.put(() => (typeof wanted === "function" ? wanted() : wanted), base);
  }

  back(which: "undo" | "redo"): Promise<boolean> {
    return this.put(() => which, this.plan.revision);
  }

  private async put(what: () => Wish["what"], base: number): Promise<boolean> {
    const { schemeId } = this.plan;
    const make = () => ({ request: crypto.randomUUID(), what: what(), base, schemeId });
    return this.outbox ? this.outbox.put(make) : false;
  }

  private async send({ request, what, base, schemeId }: Wish): Promise<Said> {
    this.sent.add(request);
    const path = { planId: this.plan.id };
    const { data, error, response } =
      what === "undo"
        ? await api.POST("/api/plans/{planId}/undo", { params: { path, query: { schemeId, request } } })
        : what === "redo"
          ? await api.POST("/api/plans/{planId}/redo", { params: { path, query: { schemeId, request } } })
          : await api.POST("/api/plans/{planId}/edits", {
              params: { path },
              body: { baseRevision: base, edit: what as never, schemeId, request },
            });
    if (data) return { done: data };
    const later = away[response.status];
    if (later) return { later };
    const problem = error as Problem | undefined;
    return {
      problem: problem?.field ? problem : { field: "", message: messageOf(error), canBeSure: false },
    };
  }

  private settle(said: Settled, wish: Wish | null, waited: boolean): boolean {
    if ("done" in said) {
      this.refusal = null;
      if (wish && typeof wish.what === "string") this.notice = said.done.label;
      if (said.done.note) this.notice = `${said.done.label}. ${said.done.note}`;
      this.plan.done(said.done);
      return true;
    }
    const { problem } = said;
    const edit = wish && typeof wish.what !== "string" ? wish.what : null;
    if (waited) {
      const lost: Lost = {
        words: wish ? wordsOf(wish.what, (id) => this.plan.nameOf(id), this.plan.editWords) : "A change",
        message: problem.message,
        again: wish && (() => void this.again(lost, wish)),
      };
      this.lost = [...this.lost, lost];
    } else {
      const asSure = problem.canBeSure && edit ? () => void this.do({ ...edit, sure: true } as Edit) : null;
      this.refusal = { problem, asSure };
    }
    return false;
  }

  private again(lost: Lost, wish: Wish) {
    this.forget(lost);
    return typeof wish.what === "string" ? this.back(wish.what) : this.do(wish.what);
  }

  /** Lets go of something that could not be done. */
  forget(lost: Lost) {
    this.lost = this.lost.filter((one) => one !== lost);
  }
}
