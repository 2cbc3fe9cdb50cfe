import { drawing, questionOf, takePoint } from "../chain";
import { tools } from "../tools.svelte";
import { reachOf, type Tooling, type ToolOf } from "./tooling";

/** Draws a run of walls, or of lines without walls, corner by corner. */
export const drawChain: Tooling<ToolOf<"chain">> = {
  follow(table, { chain }, hand) {
    const p = table.view().toLevel(hand.at);
    table.plan.aim(questionOf(table.plan, chain, p, reachOf(table, hand)), (aim) => {
      if (tools.tool.kind === "chain") tools.aim = aim;
    });
  },
  press(table, _, hand) {
    const { plan } = table;
    const p = table.view().toLevel(hand.at);
    const reach = reachOf(table, hand);
    tools.said = "";
    void drawing.take(async () => {
      if (tools.tool.kind !== "chain") return false;
      const aim = await plan.aimNow(questionOf(plan, tools.tool.chain, p, reach));
      if (!aim) tools.said = "The server does not answer; press again when the link is back.";
      return aim !== null && takePoint(plan, aim, false);
    });
  },
};
