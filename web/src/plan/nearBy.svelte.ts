import type { Near, NearView, WallAhead } from "../app/api";
import { Asked } from "./latestAnswer";

/** What is near what is selected, as the server has measured it: a late answer, or none, never stands for another thing's. */
export class NearBy {
  list = $state.raw<Near[]>([]);
  /** The walls either side of one thing. */
  walls = $state.raw<WallAhead[]>([]);
  /** What is said where one thing does not fit where it is; "" where it does. */
  unfit = $state("");
  /** The move to the nearest place where it does. */
  fitMove = $state.raw<{ x: number; y: number } | null>(null);
  private readonly asked = new Asked();

  async renew(ids: string[], ask: (ids: string[]) => Promise<NearView | undefined>) {
    const newest = this.asked.newest();
    const answer = ids.length ? await ask(ids).catch(() => undefined) : undefined;
    if (!newest()) return;
    this.list = answer?.near ?? [];
    this.walls = answer?.walls ?? [];
    this.unfit = answer?.unfit ?? "";
    this.fitMove = (answer?.fitMove as { x: number; y: number } | null | undefined) ?? null;
  }
}
