import type { Fitting } from "../../app/api";

export type { Certainty } from "../../app/api";
export type FittingKindName = Fitting["kind"];
