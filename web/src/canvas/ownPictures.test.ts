import { expect, test } from "vitest";
import { placeOf } from "./ownPictures";

test("a picture is brought to its place by its corner and its two edges", () => {
  const place = { corner: { x: -100, y: 50 }, across: { x: 0, y: 400 }, down: { x: 200, y: 0 } };
  const [a, b, c, d, e, f] = placeOf(place, 40, 20);
  const at = (x: number, y: number) => [a * x + c * y + e, b * x + d * y + f];
  expect(at(0, 0)).toEqual([-100, 50]);
  expect(at(40, 0)).toEqual([-100, 450]);
  expect(at(0, 20)).toEqual([100, 50]);
  expect(at(20, 10)).toEqual([0, 250]);
});
