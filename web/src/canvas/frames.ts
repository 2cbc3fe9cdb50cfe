import type { Point } from "./viewport";

const cos = (degrees: number) => Math.cos((degrees * Math.PI) / 180);
const sin = (degrees: number) => Math.sin((degrees * Math.PI) / 180);

/** A level's point in the frame of something placed. */
export function inFrame(frame: { x: number; y: number; rotation: number }, p: Point): Point {
  const [dx, dy] = [p.x - frame.x, p.y - frame.y];
  return {
    x: dx * cos(frame.rotation) + dy * sin(frame.rotation),
    y: -dx * sin(frame.rotation) + dy * cos(frame.rotation),
  };
}

/** A point of a placed thing's own frame on the level. */
export function outOf(frame: { x: number; y: number; rotation: number }, own: Point): Point {
  return {
    x: frame.x + own.x * cos(frame.rotation) - own.y * sin(frame.rotation),
    y: frame.y + own.x * sin(frame.rotation) + own.y * cos(frame.rotation),
  };
}
