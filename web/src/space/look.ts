/** A look into a scheme: mm and degrees as a viewpoint has them, its height above the floor of its level. */
export interface Look {
  levelId: string;
  x: number;
  y: number;
  z: number;
  heading: number;
  pitch: number;
  fieldOfView: number;
  /** On one's feet: walls stand whole and ceilings are there. */
  inside: boolean;
}

/** How many degrees high a look from above and one at eye level are. */
export const fromAbove = 42;
export const atEyeLevel = 64;

const degrees = 180 / Math.PI;

/** The way a look goes, as long as one. */
export function wayOf({ heading, pitch }: Pick<Look, "heading" | "pitch">): [number, number, number] {
  const [h, p] = [heading / degrees, pitch / degrees];
  return [Math.cos(h) * Math.cos(p), Math.sin(h) * Math.cos(p), Math.sin(p)];
}

/** Heading and pitch of a way; straight up or down it keeps the heading that it had. */
export function lookingAlong(x: number, y: number, z: number, kept = 90) {
  const flat = Math.hypot(x, y);
  return {
    heading: flat < 1e-6 ? kept : Math.atan2(y, x) * degrees,
    pitch: Math.atan2(z, flat) * degrees,
  };
}

/** Rounded as far as anybody can see, so that texts and files stay short. */
export const rounded = (look: Look): Look => ({
  ...look,
  x: Math.round(look.x),
  y: Math.round(look.y),
  z: Math.round(look.z),
  heading: Math.round(look.heading * 100) / 100,
  pitch: Math.round(look.pitch * 100) / 100,
});

/** What is shown beside, and by which light. */
export interface Shown {
  allLevels: boolean;
  people: boolean;
  findings: boolean;
  cutHeight: number;
  daylight: { year: number; month: number; day: number; hour: number } | null;
  soft: boolean;
}

/** Where a browser remembers how a scheme was looked at last. */
const keyOf = (planId: string, schemeId: string) => `wellsedes.space.${planId}.${schemeId}`;

export function remember(planId: string, schemeId: string, look: Look, shown: Shown) {
  try {
    localStorage.setItem(keyOf(planId, schemeId), JSON.stringify({ ...rounded(look), shown }));
  } catch {
    // A full or locked store: it is only a convenience.
  }
}

export function remembered(planId: string, schemeId: string) {
  try {
    return understood(localStorage.getItem(keyOf(planId, schemeId)));
  } catch {
    return null;
  }
}

/** What was kept; null where it is not what was written here. */
export function understood(kept: string | null): (Look & { shown?: Partial<Shown> }) | null {
  const look = JSON.parse(kept ?? "null") as (Look & { shown?: Partial<Shown> }) | null;
  const figures = look && [look.x, look.y, look.z, look.heading, look.pitch, look.fieldOfView];
  return figures?.every(Number.isFinite) && typeof look?.levelId === "string" ? look : null;
}
