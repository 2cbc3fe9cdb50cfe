import type { Aim, Edit, Spot } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";
import { tools, type Chain } from "./tools.svelte";
import { Turns } from "./turns";

/** Corners pressed and lengths typed, one after another: each builds on the one before it. */
export const drawing = new Turns(() => {
  tools.said = `${tools.said} What was typed or pressed after it was not drawn.`.trim();
});

/** The last corner of a chain; null before it has begun. */
export const lastOf = (chain: Chain): Spot | null =>
  (chain.sides.at(-1)?.to as Spot | undefined) ?? chain.start;

/** The corner before the last one; null when there is none. */
export function beforeOf(chain: Chain): Spot | null {
  const n = chain.sides.length;
  if (n === 0) return null;
  return (chain.sides[n - 1]!.through ?? (n > 1 ? chain.sides[n - 2]!.to : chain.start)) as Spot | null;
}

/** What is asked about the place a hand points to while it draws a chain. */
export function questionOf(plan: OpenPlan, chain: Chain, at: Spot, reach: number) {
  return {
    levelId: plan.levelId,
    at,
    catch: reach,
    from: lastOf(chain) ?? undefined,
    before: beforeOf(chain) ?? undefined,
    start: chain.sides.length > 1 && chain.start ? chain.start : undefined,
  };
}

function editOf(plan: OpenPlan, chain: Chain, closed: boolean): Edit {
  const common = { id: chain.id, levelId: plan.levelId, start: chain.start!, sides: chain.sides, closed };
  return chain.what === "walls"
    ? { do: "draw-walls", ...common, wallType: chain.wallType, line: chain.line, inside: chain.inside }
    : { do: "draw-boundary", ...common, roomName: chain.roomName };
}

/** Whether a chain becomes a thing when it ends; nothing is done before. */
export const isOfThing = (chain: Chain) => chain.what === "area" || chain.what === "line";

/** Puts in the thing whose outline or line was drawn. */
async function putDrawn(plan: OpenPlan, chain: Chain): Promise<boolean> {
  const corners = [chain.start!, ...chain.sides.map((side) => side.to)];
  const drawn =
    chain.what === "area"
      ? { shape: { rings: [corners], rooms: [] } }
      : { line: corners, depth: 1, width: 1 };
  const thing = { ...chain.thing, id: chain.id, x: 0, y: 0, rotation: 0, ...drawn };
  if (!(await plan.do({ do: "put-thing", thing } as unknown as Edit))) return false;
  tools.rest();
  plan.select([chain.id]);
  return true;
}

/** Takes the next place of the chain that is drawn: its start, a point a curve passes, or the end of a side; false when it was refused. */
export async function takePoint(plan: OpenPlan, aim: Aim, typed: boolean): Promise<boolean> {
  if (tools.tool.kind !== "chain") return false;
  const chain = tools.tool.chain;
  const changed = (change: Partial<Chain>) => {
    tools.chain(change);
    return true;
  };
  if (chain.offsets) return changed({ corner: aim.at });
  if (!chain.start) return changed({ start: aim.at });
  if (chain.curved && !chain.through) return changed({ through: aim.at });
  const last = lastOf(chain)!;
  const closes =
    chain.what !== "line" &&
    chain.sides.length > 1 &&
    Math.hypot(aim.at.x - chain.start.x, aim.at.y - chain.start.y) < 1;
  // A line ends where it is pressed again.
  if (Math.hypot(aim.at.x - last.x, aim.at.y - last.y) < 1)
    return chain.what === "line" && !typed && chain.sides.length ? close(plan) : true;
  if (closes && isOfThing(chain)) return close(plan);
  const side = {
    to: closes ? chain.start : aim.at,
    bow: 0,
    through: chain.through ?? undefined,
    certainty: typed
      ? chain.certainty
      : chain.certainty === "Unknown"
        ? ("Unknown" as const)
        : ("Assumed" as const),
  };
  const next = { ...chain, sides: [...chain.sides, side], through: null };
  if (!isOfThing(chain) && !(await plan.do(editOf(plan, next, closes)))) return false;
  if (closes) tools.rest();
  else tools.chain({ sides: next.sides, through: null, curved: false });
  return true;
}

/** Closes the chain: the last corner is joined to the first; a line ends. */
export async function close(plan: OpenPlan): Promise<boolean> {
  if (tools.tool.kind !== "chain") return false;
  const { chain } = tools.tool;
  if (isOfThing(chain)) {
    const enough = chain.sides.length >= (chain.what === "area" ? 2 : 1);
    return enough ? putDrawn(plan, chain) : true;
  }
  if (chain.sides.length > 1 && !(await plan.do(editOf(plan, chain, true)))) return false;
  tools.rest();
  return true;
}

/** Puts the walls of the chain on the other side of the drawn line. */
export async function flip(plan: OpenPlan): Promise<boolean> {
  if (tools.tool.kind !== "chain" || tools.tool.chain.what !== "walls") return false;
  const { chain } = tools.tool;
  const inside = chain.inside === "Left" ? ("Right" as const) : ("Left" as const);
  if (chain.sides.length && !(await plan.do(editOf(plan, { ...chain, inside }, false)))) return false;
  tools.chain({ inside });
  return true;
}

/** Whether walls drawn along a face stand to the left of the line, seen in the direction of drawing. */
export const standsLeft = (chain: Chain) => (chain.inside === "Left") !== (chain.line === "InsideFace");

/** From where to where a wall's thickness lies, in mm to the left of the line it is drawn along. */
export function bodyOf(chain: Chain, thickness: number): [number, number] {
  if (chain.line === "Centre") return [-thickness / 2, thickness / 2];
  return standsLeft(chain) ? [0, thickness] : [-thickness, 0];
}

/** Takes the last corner back. */
export async function back(plan: OpenPlan): Promise<boolean> {
  if (tools.tool.kind !== "chain") return false;
  const { chain } = tools.tool;
  if (chain.through) tools.chain({ through: null });
  else if (chain.sides.length === 0) tools.chain({ start: null });
  else {
    if (!isOfThing(chain) && !(await plan.undo())) return false;
    tools.chain({ sides: chain.sides.slice(0, -1) });
  }
  return true;
}

/** A chain about to be drawn. */
export const newChain = (plan: OpenPlan, of: Partial<Chain>): Chain => ({
  id: plan.newId("chain"),
  what: "walls",
  wallType: "",
  line: "InsideFace",
  inside: "Left",
  certainty: "Surveyed",
  roomName: "",
  start: null,
  sides: [],
  through: null,
  curved: false,
  corner: null,
  offsets: false,
  ...of,
});
