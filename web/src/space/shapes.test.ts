import { describe, expect, it } from "vitest";
import type { FacesView } from "../app/api";
import { keyOf, Shapes } from "./shapes";

const square = (width: number, tone = "#112233"): FacesView => ({
  tone,
  tinted: true,
  glass: false,
  corners: [4],
  places: [0, 0, 0, width, 0, 0, width, 1000, 0, 0, 1000, 0],
});

describe("shapes that are kept", () => {
  it("are the same object for what looks the same, over a change, and gone when nothing has them", () => {
    const shapes = new Shapes();
    const first = shapes.of([square(500)], null);
    const other = shapes.of([square(600)], null);
    shapes.sweep();
    expect(shapes.of([square(500)], null)).toBe(first);
    let gone = 0;
    first.geometry.addEventListener("dispose", () => gone++);
    other.geometry.addEventListener("dispose", () => (gone += 10));
    shapes.sweep();
    expect(gone).toBe(10);
    expect(shapes.of([square(600)], null)).not.toBe(other);
    shapes.dispose();
    expect(gone).toBe(11);
  });
  it("are told apart by size, by place, by order, tone and tint", () => {
    const keys = [
      keyOf([square(500)], null),
      keyOf([square(500.1)], null),
      keyOf([square(500, "#112234")], null),
      keyOf([square(500)], "#445566"),
      keyOf([square(500)], null, true),
      keyOf([square(500), square(600)], null),
      keyOf([square(600), square(500)], null),
      keyOf([{ ...square(500), places: [0, 0, 0, 500, 0, 0, 500, 0, 1000, 0, 0, 1000] }], null),
    ];
    expect(new Set(keys).size).toBe(keys.length);
  });
});
