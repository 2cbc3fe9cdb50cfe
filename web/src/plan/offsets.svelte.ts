import type { Spot } from "../app/api";
import { tools } from "../canvas/tools.svelte";

/** What distances are typed against: where a hand pointed at a wall or the side of a thing, and for which items. */
class Offsets {
  at = $state.raw<Spot | null>(null);
  ids = $state("");

  /** Asks for the wall or side to count from. */
  point(ids: string[]) {
    tools.ask(
      "Press the wall or side to count from",
      1,
      ([at]) => {
        this.at = at!;
        this.ids = ids.join();
      },
      false,
    );
  }
}

export const offsets = new Offsets();
