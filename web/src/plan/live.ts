import { HubConnectionBuilder, HubConnectionState, LogLevel, type HubConnection } from "@microsoft/signalr";
import type {
  Aim,
  AimQuestion,
  ChangedView,
  Edit,
  FiguresView,
  ProbeView,
  WorkOrder,
  WorkTold,
} from "../app/api";

export interface LiveEvents {
  changed(change: ChangedView): void;
  /** The link is there; what is told from now on comes after this revision. */
  follows(revision: number): void;
  /** Changes were missed on the way. */
  missed(): void;
  broken(broken: boolean): void;
}

/** How long to wait before trying again, in ms: longer each time, up to five seconds. */
export const backOff = (tries: number) => Math.min(500 * 2 ** tries, 5000);

/** Tries until it is done or nobody wants it any more; says each time that it failed. */
export async function untilDone(work: () => Promise<void>, wanted: () => boolean, failed: () => void) {
  for (let tries = 0; wanted(); tries++) {
    try {
      return await work();
    } catch {
      failed();
      await new Promise((done) => setTimeout(done, backOff(tries)));
    }
  }
}

/** Opens a question that may be answered more than once; answers how to listen no longer. */
export type Open<Q, A> = (question: Q, told: (answer: A) => void, ended: () => void) => () => void;

/**
 * Asks questions that are answered at once and perhaps, when the hand rests, again in full. Until the first answer is there
 * only the newest next question is kept; after it the next one ends the listening.
 */
export class NewestInFull<Q, A> {
  private waiting: { question: Q; done: (answer: A) => void } | null = null;
  private unanswered = false;
  private dropped = false;
  private leave: (() => void) | null = null;

  constructor(private readonly open: Open<Q, A>) {}

  ask(question: Q, done: (answer: A) => void) {
    this.waiting = { question, done };
    this.dropped = false;
    if (!this.unanswered) this.next();
  }

  /** Sends nothing more, and listens no longer than for the first answer. */
  drop() {
    this.waiting = null;
    this.dropped = true;
    if (!this.unanswered) this.hangUp();
  }

  private hangUp() {
    this.leave?.();
    this.leave = null;
  }

  private next() {
    this.hangUp();
    if (!this.waiting) return;
    const { question, done } = this.waiting;
    this.waiting = null;
    this.unanswered = true;
    const onward = () => {
      if (!this.unanswered) return;
      this.unanswered = false;
      if (this.waiting) this.next();
      else if (this.dropped) this.hangUp();
    };
    this.leave = this.open(
      question,
      (answer) => {
        done(answer);
        onward();
      },
      onward,
    );
  }
}

/** Sends questions one at a time, each answered once; while one is on its way only the newest next one is kept. */
export class Newest<Q, A> extends NewestInFull<Q, A> {
  constructor(send: (question: Q) => Promise<A>) {
    super((question, told, ended) => {
      void send(question).then(told, ended);
      return () => {};
    });
  }
}

/** The live link: changes come down it; probes and aims go up it. */
export class LiveLink {
  private readonly connection: HubConnection;
  private readonly probes = new NewestInFull<{ edit: Edit; levelId: string; schemeId: string }, ProbeView>(
    ({ edit, levelId, schemeId }, told, ended) => {
      const listening = this.connection
        .stream<ProbeView>("Probe", this.planId, edit, levelId, schemeId)
        .subscribe({ next: told, error: ended, complete: ended });
      return () => listening.dispose();
    },
  );
  private readonly aims = new Newest<AimQuestion, Aim>((question) => this.aimNow(question));

  constructor(
    private readonly planId: string,
    private readonly events: LiveEvents,
  ) {
    this.connection = new HubConnectionBuilder().withUrl("/live").configureLogging(LogLevel.None).build();
    this.connection.on("changed", (change: ChangedView) => events.changed(change));
    this.connection.on("missed", () => events.missed());
    this.connection.onclose(() => {
      if (!this.wanted) return;
      events.broken(true);
      void this.start();
    });
  }

  private wanted = true;
  private starting = false;

  /** Follows the plan; a link that cannot be made, or fails to follow, is tried again until it is there. */
  async start() {
    if (this.starting) return;
    this.starting = true;
    await untilDone(
      async () => {
        if (this.connection.state === HubConnectionState.Disconnected) await this.connection.start();
        const revision = await this.connection.invoke<number>("Follow", this.planId);
        this.events.broken(false);
        this.events.follows(revision);
      },
      () => this.wanted,
      () => this.events.broken(true),
    );
    this.starting = false;
  }

  stop() {
    this.wanted = false;
    void this.connection.stop();
  }

  /** Asks what an edit would do. An unsent older question is dropped: only the newest matters. */
  probe(edit: Edit, levelId: string, schemeId: string, done: (answer: ProbeView) => void) {
    this.probes.ask({ edit, levelId, schemeId }, done);
  }

  dropProbe() {
    this.probes.drop();
  }

  aim(question: AimQuestion, done: (answer: Aim) => void) {
    this.aims.ask(question, done);
  }

  /** An aim that must be answered: for a press or a typed length. */
  aimNow(question: AimQuestion): Promise<Aim> {
    return this.connection.invoke("Aim", this.planId, question);
  }

  /** Has something worked out in the background; told how it stands until the answer is called. */
  work(order: WorkOrder, told: (told: WorkTold) => void, failed: () => void): () => void {
    const listening = this.connection
      .stream<WorkTold>("Work", this.planId, order)
      .subscribe({ next: told, error: failed, complete: () => {} });
    return () => listening.dispose();
  }

  /** The figures of a scheme as they are. */
  figures(schemeId: string): Promise<FiguresView> {
    return this.connection.invoke("Figures", this.planId, schemeId);
  }

  /** Links the simulated distance meter with one of its surveys; what it says of itself. */
  useMeter(survey: number): Promise<string> {
    return this.connection.invoke("UseMeter", this.planId, survey);
  }

  /** Presses its button: the length it sends, null when it has no more. */
  pressMeter(): Promise<string | null> {
    return this.connection.invoke("PressMeter", this.planId);
  }
}
