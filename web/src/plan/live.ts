import { HubConnectionBuilder, LogLevel, type HubConnection } from "@microsoft/signalr";
import type { ChangedView, Edit, ProbeView } from "../app/api";

export interface LiveEvents {
  changed(change: ChangedView): void;
  /** The link came back after a break: changes may have been missed. */
  returned(): void;
  broken(broken: boolean): void;
}

/** The live link: changes come down it; probes go up it, at most one in flight and always the newest next. */
export class LiveLink {
  private readonly connection: HubConnection;
  private waiting: { edit: Edit; done: (answer: ProbeView) => void } | null = null;
  private inFlight = false;

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
  probe(edit: Edit, done: (answer: ProbeView) => void) {
    this.waiting = { edit, done };
    if (!this.inFlight) void this.pump();
  }

  dropProbe() {
    this.waiting = null;
  }

  private async pump() {
    this.inFlight = true;
    while (this.waiting) {
      const { edit, done } = this.waiting;
      this.waiting = null;
      try {
        done((await this.connection.invoke("Probe", this.planId, edit)) as ProbeView);
      } catch {
        break;
      }
    }
    this.inFlight = false;
  }
}
