import { describe, expect, it } from "vitest";
import { lookingAlong, rounded, understood, wayOf, type Look } from "./look";

const look: Look = {
  levelId: "l",
  x: 1,
  y: 2,
  z: 1600,
  heading: 30,
  pitch: -20,
  fieldOfView: 64,
  inside: true,
};

describe("a look", () => {
  it("goes its way and is read back from it", () => {
    for (let heading = -170; heading <= 180; heading += 35)
      for (let pitch = -85; pitch <= 85; pitch += 17) {
        const back = lookingAlong(...wayOf({ heading, pitch }));
        expect(back.heading).toBeCloseTo(heading, 6);
        expect(back.pitch).toBeCloseTo(pitch, 6);
      }
  });
  it("is as long as one", () => expect(Math.hypot(...wayOf(look))).toBeCloseTo(1, 12));
  it("keeps its heading straight down", () =>
    expect(lookingAlong(0, 0, -1, 17)).toEqual({ heading: 17, pitch: -90 }));
  it("is kept to the mm and the hundredth of a degree", () =>
    expect(rounded({ ...look, x: 1.4999, heading: 30.00499 })).toMatchObject({ x: 1, heading: 30 }));
  it("is understood as it was kept, and nothing else is", () => {
    const shown = { people: true, daylight: { year: 2026, month: 6, day: 21, hour: 18.5 } };
    expect(understood(JSON.stringify({ ...look, shown }))).toEqual({ ...look, shown });
    expect(understood(JSON.stringify(look))?.shown).toBeUndefined();
    for (const bad of [
      null,
      "null",
      "{}",
      "7",
      JSON.stringify({ ...look, x: "far" }),
      JSON.stringify({ ...look, levelId: 3 }),
    ])
      expect(understood(bad)).toBeNull();
  });
});
