import { describe, expect, it } from "vitest";
import { writeArea, writeAreaAlone, writeLength, writeWidth } from "./figures";

describe("figures on screen", () => {
  it("groups metric figures as the sheet does", () => {
    expect(writeLength(18000, "Metric")).toBe("18\u00a0000");
    expect(writeLength(899.9, "Metric")).toBe("899.9");
    expect(writeLength(-1234.5, "Metric")).toBe("-1\u00a0234.5");
  });
  it("writes feet and inches to a sixteenth", () => {
    expect(writeLength(4200.525, "FeetInches")).toBe("13' 9 3/8\"");
    expect(writeLength(12.7, "FeetInches")).toBe('1/2"');
    expect(writeLength(0, "FeetInches")).toBe('0"');
  });
  it("never shows a width that fails as one that holds", () => {
    expect(writeWidth(899.96, "Metric")).toBe("899");
    expect(writeWidth(914.3, "FeetInches")).toBe("2' 11 15/16\"");
    expect(writeWidth(914.4, "FeetInches")).toBe("3' 0\"");
    expect(writeWidth(899.995, "Metric")).toBe("900");
    expect(writeWidth(900, "Metric")).toBe("900");
  });
  it("writes areas in the plan's units", () => {
    expect(writeArea(233.51, "Metric")).toBe("233.5 m²");
    expect(writeAreaAlone(233.514, "Metric")).toBe("233.51 m²");
    expect(writeAreaAlone(9.290304, "FeetInches")).toBe("100.00 ft²");
    expect(writeArea(9.290304, "FeetInches")).toBe("100 ft²");
  });
});
