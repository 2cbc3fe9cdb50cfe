import type { Edit } from "../../app/api";
import type { Table } from "../gestures/gesture";
import type { Point } from "../viewport";
import { restWhile, type Tooling, type ToolOf } from "./tooling";

/** The edit that seats the chosen opening in the wall nearest to a place. */
function seat({ plan }: Table, { opening }: ToolOf<"opening">, at: Point, id: string, reach: number) {
  const size = plan.catalogue!.openings.find((o) => o.kind === opening.kind)!;
  return {
    do: "seat-opening",
    opening: {
      id,
      wallId: "",
      along: 0,
      ...opening,
      clearWidth: 0,
      height: size.height,
      sill: size.sill,
      hingeAtEnd: false,
      swingsRight: false,
    },
    levelId: plan.levelId,
    at,
    reach,
    sure: false,
  } as Edit;
}

async function put(table: Table, tool: ToolOf<"opening">, at: Point, reach: number) {
  const { plan, view } = table;
  const id = plan.newId("opening");
  plan.stopAsking();
  await plan.selectWhen(restWhile(tool, plan.do(seat(table, tool, view().toLevel(at), id, reach))), [id]);
}

/** Puts a door, a window or a gap into a wall. */
export const seatOpening: Tooling<ToolOf<"opening">> = {
  follow(table, tool, { at }) {
    table.plan.ask(seat(table, tool, table.view().toLevel(at), "probe-opening", 400));
  },
  press: (table, tool, { at }) => void put(table, tool, at, 400),
  inMiddle: (table, tool, { at }) => void put(table, tool, at, 1e6),
};
