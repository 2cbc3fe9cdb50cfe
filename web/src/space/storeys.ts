import type { ModelLevelView } from "../app/api";
import type { Point } from "../canvas/viewport";

/** Where somebody stands: on a level, and how high the floor under them is above that of the level, in mm. */
export interface Footing {
  levelId: string;
  floor: number;
}

/** At the ends of a flight one is still on it or already off it by so much, in mm. */
const end = 150;

type Flight = ModelLevelView["flights"][number];

/** In the flight's own frame: across from its middle, and along from its foot. */
function on(flight: Flight, p: Point) {
  const turn = (-flight.rotation * Math.PI) / 180;
  const [dx, dy] = [p.x - flight.x, p.y - flight.y];
  return {
    across: dx * Math.cos(turn) - dy * Math.sin(turn),
    along: dx * Math.sin(turn) + dy * Math.cos(turn) + flight.depth / 2,
  };
}

function holds(flight: Flight, p: Point) {
  const { across, along } = on(flight, p);
  return Math.abs(across) <= flight.width / 2 && along >= 0 && along <= flight.depth;
}

const upTo = (flight: Flight, p: Point) =>
  flight.rise * Math.min(1, Math.max(0, on(flight, p).along / flight.depth));

/** Whether a point is in a convex outline, x and y one after another, counter-clockwise. */
function inside(ring: readonly number[], p: Point) {
  for (let i = 0; i < ring.length; i += 2) {
    const [ax, ay] = [ring[i]!, ring[i + 1]!];
    const [bx, by] = [ring[(i + 2) % ring.length]!, ring[(i + 3) % ring.length]!];
    if ((bx - ax) * (p.y - ay) - (by - ay) * (p.x - ax) < 0) return false;
  }
  return true;
}

/** What a step from one point to another brings about: up and down flights, onto platforms, on another level at the head of a flight. */
export function footing(
  levels: readonly ModelLevelView[],
  levelId: string,
  from: Point | null,
  to: Point,
): Footing {
  const level = levels.find((one) => one.levelId === levelId);
  if (!level) return { levelId, floor: 0 };
  const flight = level.flights.find((one) => holds(one, to));
  if (flight) return { levelId, floor: upTo(flight, to) };
  const left = from && level.flights.find((one) => holds(one, from));
  if (left && left.toLevelId && on(left, to).along > left.depth - end)
    return { levelId: left.toLevelId, floor: 0 };
  // Over the open floor above a flight one stands on that flight.
  for (const below of levels) {
    const down = below.flights.find((one) => one.toLevelId === levelId && holds(one, to));
    if (down && below.levelId !== levelId) return { levelId: below.levelId, floor: upTo(down, to) };
  }
  const high = level.platforms.filter((one) => inside(one.floor, to)).map((one) => one.rise);
  return { levelId, floor: Math.max(0, ...high) };
}
