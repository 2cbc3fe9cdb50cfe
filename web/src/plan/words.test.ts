import { describe, expect, it } from "vitest";
import { asRead, toldApart, wordsOf } from "./words";

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

describe("an edit in words", () => {
  const does = [{ do: "move-items", does: "Move items" }];
  const nameOf = (id: string) => (id === "x" ? "" : `Table ${id}`);

  it("says what it does as the server calls it, and to what", () => {
    const move = { do: "move-items", ids: ["4", "5", "x"], dx: 1, dy: 0, catch: 0 } as const;
    expect(wordsOf({ ...move, ids: [...move.ids] }, nameOf, does)).toBe("Move items: Table 4, Table 5");
    expect(wordsOf({ ...move, ids: ["1", "2", "3", "4", "5"] }, nameOf, does)).toBe(
      "Move items: Table 1, Table 2, Table 3 and 2 more",
    );
    expect(wordsOf({ ...move, ids: ["x"] }, nameOf, does)).toBe("Move items");
  });

  it("knows undo, and says of what it does not know that it is a change", () => {
    expect(wordsOf("undo", nameOf, does)).toBe("Undo");
    expect(
      wordsOf(
        { do: "paste", newId: "a", schemeId: "s", levelId: "l", entities: [], dx: 0, dy: 0 },
        nameOf,
        does,
      ),
    ).toBe("A change");
  });
});
