import { describe, expect, it } from "vitest";
import { asRead, toldApart } from "./words";

describe("lists", () => {
  it("tells apart what is called alike, by its turn as a plan is read", () => {
    const chairs = [
      { name: "Chair", x: 2000, y: 0 },
      { name: "Chair", x: 1000, y: 5000 },
      { name: "Stage", x: 0, y: 0 },
      { name: "Chair", x: 0, y: 0 },
    ].toSorted(asRead);
    expect(toldApart(chairs).map(({ called, x }) => [called, x])).toEqual([
      ["Chair, 1 of 3", 1000],
      ["Stage", 0],
      ["Chair, 2 of 3", 0],
      ["Chair, 3 of 3", 2000],
    ]);
  });
});
