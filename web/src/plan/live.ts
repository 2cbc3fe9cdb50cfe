import { HubConnectionBuilder, LogLevel, type HubConnection } from "@microsoft/signalr";
import type { Aim, AimQuestion, ChangedView, Edit, FiguresView, ProbeView } from "../app/api";

export interface LiveEvents {
  changed(change: ChangedView): void;
  /** The link came back after a break: changes may have been missed. */
  returned(): void;
  broken(broken: boolean): void;
}

/** Sends questions one at a time; while one is on its way only the newest next one is kept. */
export class Newest<Q, A> {
  private waiting: { question: Q; done: (answer: A) => void } | null = null;
  private inFlight = false;

  constructor(private readonly send: (question: Q) => Promise<A>) {}

  ask(question: Q, done: (answer: A) => void) {
    this.waiting = { question, done };
    if (!this.inFlight) void this.pump();
  }

  drop() {
    this.waiting = null;
  }

  private async pump() {
    this.inFlight = true;
    while (this.waiting) {
      const { question, done } = this.waiting;
      this.waiting = null;
      try {
        done(await this.send(question));
      } catch {
        break;
      }
    }
    this.inFlight = false;
  }
}

/** The live link: changes come down it; probes and aims go up it. */
export class LiveLink {
  private readonly connection: HubConnection;
  private readonly probes = new Newest<{ edit: Edit; levelId: string; schemeId: string }, ProbeView>(
    ({ edit, levelId, schemeId }) => this.connection.invoke("Probe", this.planId, edit, levelId, schemeId),
  );
  private readonly aims = new Newest<AimQuestion, Aim>((question) => this.aimNow(question));

  constructor(
    private readonly planId: string,
    private readonly events: LiveEvents,
  ) {
    this.connection = new HubConnectionBuilder()
      .withUrl("/live")
      .withAutomaticReconnect({
        nextRetryDelayInMilliseconds: (retry) => Math.min(500 * 2 ** retry.previousRetryCount, 5000),
      })
      .configureLogging(LogLevel.None)
      .build();
    this.connection.on("changed", (change: ChangedView) => events.changed(change));
    this.connection.onreconnecting(() => events.broken(true));
    this.connection.onreconnected(() => void this.follow(true));
  }

  async start() {
    await this.connection.start();
    await this.follow(false);
  }

  stop() {
    void this.connection.stop();
  }

  private async follow(again: boolean) {
    await this.connection.invoke("Follow", this.planId);
    this.events.broken(false);
    if (again) this.events.returned();
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
