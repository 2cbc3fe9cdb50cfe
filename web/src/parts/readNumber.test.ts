import { describe, expect, it } from "vitest";
import { readNumber } from "./readNumber";

const count = { whole: true, least: 1, mayBeEmpty: false };

describe("typed numbers", () => {
  it("reads counts and says what is none", () => {
    expect(readNumber(" 12 ", count)).toEqual({ value: 12, problem: "" });
    for (const wrong of ["abc", "1e3", "1.5", "", "--1", "0x10", "12 chairs", "0", "-3", "Infinity"])
      expect(readNumber(wrong, count), wrong).toMatchObject({
        value: null,
        problem: expect.stringMatching(/./) as string,
      });
  });
  it("reads areas with a point or a comma, and nothing where nothing may be asked", () => {
    const area = { whole: false, least: 0, mayBeEmpty: true };
    expect(readNumber("1,2", area).value).toBe(1.2);
    expect(readNumber("0.75", area).value).toBe(0.75);
    expect(readNumber("", area)).toEqual({ value: null, problem: "" });
  });
});
