import type { Edit } from "../../app/api";
import type { Hand, Table } from "../gestures/gesture";
import { tools } from "../tools.svelte";
import { reachOf, restWhile, type Tooling, type ToolOf } from "./tooling";

async function put(table: Table, tool: ToolOf<"thing">, hand: Hand) {
  const { plan } = table;
  const id = plan.newId("thing");
  const question = {
    levelId: plan.levelId,
    at: table.view().toLevel(hand.at),
    catch: reachOf(table, hand),
  };
  const work = async () => {
    const aim = await plan.aimNow(question);
    return (
      aim !== null && plan.do({ do: "put-thing", thing: { ...tool.thing, id, ...aim.at } } as unknown as Edit)
    );
  };
  await plan.selectWhen(restWhile(tool, work()), [id]);
}

/** Puts a fixed thing, a zone or a mark where it goes. */
export const putThing: Tooling<ToolOf<"thing">> = {
  follow(table, _, hand) {
    const question = {
      levelId: table.plan.levelId,
      at: table.view().toLevel(hand.at),
      catch: reachOf(table, hand),
    };
    table.plan.aim(question, (aim) => {
      if (tools.tool.kind === "thing") tools.aim = aim;
    });
  },
  press: (table, tool, hand) => void put(table, tool, hand),
};
