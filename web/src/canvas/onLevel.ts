import type { Finding } from "../app/api";
import type { Point } from "./viewport";

/** What was found on another level is not drawn on this one; what belongs to no level is drawn on all. */
export const isOn = (finding: Finding, levelId: string) => !finding.levelId || finding.levelId === levelId;

/** Where things overlap on a level. */
export const overlapsOn = (findings: Finding[], levelId: string): Point[] =>
  findings.filter((f) => f.kind === "Overlap" && isOn(f, levelId)).flatMap((f) => f.at as Point[]);
