import { describe, expect, it } from "vitest";
import type { Finding } from "../app/api";
import { grouped, headingOf, since } from "./findingList";

const finding = (id: string, more: Partial<Finding> = {}) =>
  ({
    id,
    kind: "Rule",
    weight: "Must",
    title: id,
    source: "A code",
    between: ["Door"],
    room: "Hall",
    ...more,
  }) as Finding;

describe("findings as they are listed", () => {
  it("stand together under one heading each, in the order they are met", () => {
    const all = [finding("a"), finding("b", { room: "Lobby" }), finding("c"), finding("d", { room: "" })];
    expect(grouped(all, "room").map((one) => [one.finding.id, one.heading])).toEqual([
      ["a", "Hall"],
      ["c", ""],
      ["b", "Lobby"],
      ["d", "Elsewhere"],
    ]);
    expect(grouped(all, "kind").map((one) => one.finding.id)).toEqual(["a", "b", "c", "d"]);
    expect(grouped([], "rule")).toEqual([]);
  });
  it("are told by the rule without what is said of all", () => {
    const one = finding("a", { source: "Code, 2021, 1.2. From memory; check against the adopted edition." });
    expect(headingOf(one, "rule")).toBe("Code, 2021, 1.2");
    expect(headingOf(finding("a", { between: [] }), "thing")).toBe("a");
  });
});

describe("since a revision", () => {
  const then = [
    { id: "kept", title: "Kept", weight: "Must" as const, isOpen: true },
    { id: "mended", title: "Mended", weight: "Must" as const, isOpen: true },
    { id: "accepted", title: "Accepted", weight: "Must" as const, isOpen: false },
    { id: "advice", title: "Advice", weight: "Advise" as const, isOpen: false },
  ];
  it("tells what has come and what is cleared", () => {
    const { isNew, cleared } = since(
      [finding("kept"), finding("come"), finding("advice", { weight: "Advise" })],
      then,
    );
    expect([...isNew]).toEqual(["come"]);
    expect(cleared.map((one) => one.id)).toEqual(["mended"]);
  });
  it("takes what is accepted now as cleared, and what was accepted then as new when it is open again", () => {
    const accepted = { id: "x" } as Finding["accepted"];
    const { isNew, cleared } = since([finding("kept", { accepted }), finding("accepted")], then);
    expect([...isNew]).toEqual(["accepted"]);
    expect(cleared.map((one) => one.id)).toEqual(["kept", "mended", "advice"]);
  });
});
