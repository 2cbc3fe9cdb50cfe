import { describe, expect, it } from "vitest";
import { onPicture, upward } from "./laid";

/** A picture of 800 x 400 whose top left corner is at (100, 500), turned by a quarter: along its top edge is north. */
const laid = [100, 500, 0, 800, 400, 0, 1];

describe("a picture that lies on something", () => {
  it("says where on it a place lies", () => {
    const on = (x: number, y: number) => onPicture(laid, x, y).map((part) => part + 0);
    expect(on(100, 500)).toEqual([0, 0]);
    expect(on(100, 1300)).toEqual([1, 0]);
    expect(on(300, 900)).toEqual([0.5, 0.5]);
    // Again and again: farther on it goes on counting.
    expect(on(900, 500)).toEqual([0, 2]);
  });

  it("is on those faces alone that look up", () => {
    const box = {
      tone: "#ffffff",
      tinted: true,
      glass: false,
      corners: [4, 4, 4],
      places: [
        ...[0, 0, 10, 100, 0, 10, 100, 100, 10, 0, 100, 10],
        ...[0, 0, 0, 0, 100, 0, 100, 100, 0, 100, 0, 0],
        ...[0, 0, 0, 100, 0, 0, 100, 0, 10, 0, 0, 10],
      ],
    };
    const up = upward([box], laid)!;
    expect(up.places).toHaveLength(2 * 9);
    expect(up.spots).toHaveLength(2 * 6);
    expect([...up.places].filter((_, i) => i % 3 === 2)).toEqual(Array(6).fill(new Float32Array([0.01])[0]));
    expect(upward([{ ...box, corners: [4], places: box.places.slice(12, 24) }], laid)).toBeNull();
  });
});
