import { describe, expect, it } from "vitest";
import type { Finding } from "../app/api";
import { isOn, overlapsOn } from "./onLevel";

const found = (kind: string, levelId: string | undefined, ...at: { x: number; y: number }[]) =>
  ({ kind, levelId, at }) as unknown as Finding;

describe("findings on the level that is looked at", () => {
  const here = { x: 1, y: 2 };
  const above = { x: 3, y: 4 };

  it("has rings of its own overlaps and none of another level's", () => {
    const findings = [
      found("Overlap", "ground", here),
      found("Overlap", "first", above),
      found("Walkway", "ground", { x: 9, y: 9 }),
    ];
    expect(overlapsOn(findings, "ground")).toEqual([here]);
    expect(overlapsOn(findings, "first")).toEqual([above]);
    expect(overlapsOn(findings, "top")).toEqual([]);
  });
  it("draws what belongs to no level on each", () => {
    expect(isOn(found("Brief", undefined), "first")).toBe(true);
    expect(isOn(found("Walkway", "ground"), "first")).toBe(false);
  });
});
