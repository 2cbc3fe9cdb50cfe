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
      const begun = asked.points[0];
      const closes =
        asked.ring && asked.points.length > 2 && Math.hypot(aim.at.x - begun!.x, aim.at.y - begun!.y) <= near;
      const last = asked.points.at(-1);
      const ends =
        asked.path && asked.points.length > 1 && Math.hypot(aim.at.x - last!.x, aim.at.y - last!.y) <= near;
      if (closes || ends) {
        tools.rest();
        done(asked.points);
        return true;
      }
      const points = [...asked.points, aim.at];
      if (points.length < asked.count) tools.tool = { kind: "points", asked: { ...asked, points } };
      else {
        tools.rest();
        done(points);
      }
      return true;
    });
  },
};
