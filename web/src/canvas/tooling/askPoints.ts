import { tools } from "../tools.svelte";
import { Turns } from "../turns";
import { reachOf, type Tooling, type ToolOf } from "./tooling";

/** Points pressed one after another: each waits until it is known where the one before it was drawn to. */
const pressed = new Turns();

/** Takes the points that something asks for. */
export const askPoints: Tooling<ToolOf<"points">> = {
  follow(table, tool, hand) {
    const at = table.view().toLevel(hand.at);
    if (!tool.asked.caught) {
      tools.aim = { at, caught: "", length: 0, heading: 0, guides: [] };
      return;
    }
    table.plan.aim({ levelId: table.plan.levelId, at, catch: reachOf(table, hand) }, (aim) => {
      if (tools.tool.kind === "points") tools.aim = aim;
    });
  },
  press(table, { asked: { done } }, hand) {
    const { plan } = table;
    const at = table.view().toLevel(hand.at);
    const reach = reachOf(table, hand);
    const near = 10 / table.view().scale;
    void pressed.take(async () => {
      // Meanwhile it may have its points, or something else be asked.
      const asking = () =>
        tools.tool.kind === "points" && tools.tool.asked.done === done ? tools.tool.asked : null;
      const aim = asking()?.caught ? await plan.aimNow({ levelId: plan.levelId, at, catch: reach }) : { at };
      const asked = asking();
      if (!aim || !asked) return true;
      // A ring ends where it began, a path where it is.
      const end = asked.ring ? asked.points[0] : asked.path ? asked.points.at(-1) : undefined;
      const enough = asked.points.length >= (asked.ring ? 3 : 2);
      const ends = end && enough && Math.hypot(aim.at.x - end.x, aim.at.y - end.y) <= near;
      const points = ends ? asked.points : [...asked.points, aim.at];
      tools.tool = { kind: "points", asked: { ...asked, points } };
      if (ends || points.length >= asked.count) tools.endPoints();
      return true;
    });
  },
};
