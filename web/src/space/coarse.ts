import type { FacesView } from "../app/api";

/** With more things than this each is one box while the picture moves, with fewer a box for each of its two largest parts. */
const very = 3000;

/** What a thing looks like from far off: boxes in the tones of its parts, legs left out. */
export function coarseOf(faces: readonly FacesView[], things: number): FacesView[] {
  const boxes = faces
    .filter((one) => one.tinted && one.places.length)
    .map((one) => ({ one, box: boxOf(one.places) }))
    .sort((a, b) => sizeOf(b.box) - sizeOf(a.box));
  if (!boxes.length) boxes.push(...faces.slice(0, 1).map((one) => ({ one, box: boxOf(one.places) })));
  if (things <= very) return boxes.slice(0, 2).map(({ one, box }) => asFaces(one, box));
  const all = faces.flatMap((one) => one.places);
  return boxes.length ? [asFaces(boxes[0]!.one, boxOf(all))] : [];
}

type Box = readonly [number, number, number, number, number, number];

function boxOf(places: readonly number[]): Box {
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ] as [number[], number[]];
  places.forEach((n, i) => {
    low[i % 3] = Math.min(low[i % 3]!, n);
    high[i % 3] = Math.max(high[i % 3]!, n);
  });
  return [...low, ...high] as unknown as Box;
}

const sizeOf = ([x, y, z, right, back, top]: Box) => (right - x) * (back - y) * (top - z + 1);

function asFaces(of: FacesView, [x, y, z, X, Y, Z]: Box): FacesView {
  const places = [
    [x, y, Z, X, y, Z, X, Y, Z, x, Y, Z],
    [x, Y, z, X, Y, z, X, y, z, x, y, z],
    [x, y, z, X, y, z, X, y, Z, x, y, Z],
    [X, y, z, X, Y, z, X, Y, Z, X, y, Z],
    [X, Y, z, x, Y, z, x, Y, Z, X, Y, Z],
    [x, Y, z, x, y, z, x, y, Z, x, Y, Z],
  ];
  return { ...of, corners: places.map(() => 4), places: places.flat() };
}
