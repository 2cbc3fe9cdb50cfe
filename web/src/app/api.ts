import createClient from "openapi-fetch";
import type { components, paths } from "./generated/api";

type Schemas = components["schemas"];
export type PlanView = Schemas["PlanView"];
export type ProjectView = Schemas["ProjectView"];
export type CatalogueView = Schemas["CatalogueView"];
export type CatalogueEntry = Schemas["CatalogueEntry"];
export type FormView = Schemas["FormView"];
export type ItemView = Schemas["ItemView"];
export type ShellView = Schemas["ShellView"];
export type Tally = Schemas["Tally"];
export type Finding = Schemas["Finding"];
export type Entity = Schemas["Entity"];
export type Item = Schemas["EntityItem"];
export type Opening = Schemas["EntityOpening"];
export type Wall = Schemas["EntityWall"];
export type Room = Schemas["EntityRoom"];
export type Column = Schemas["EntityColumn"];
export type KeepClear = Schemas["EntityKeepClear"];
export type Dimension = Schemas["EntityDimension"];
export type Checks = Schemas["EntityChecks"];
export type Brief = Schemas["EntityBrief"];
export type SheetSettings = Schemas["EntitySheetSettings"];
export type PlanDetails = Schemas["EntityPlanDetails"];
export type Edit = Schemas["Edit"];
export type Problem = Schemas["Problem"];
export type ChangedView = Schemas["ChangedView"];
export type EditDone = Schemas["EditDone"];
export type ProbeView = Schemas["ProbeView"];
export type Near = Schemas["NearDistance"];
export type RegisterEntry = Schemas["RegisterEntry"];
export type SheetFacts = Schemas["SheetFacts"];
export type OpeningKind = NonNullable<Schemas["EntityOpening"]["kind"]>;
export type UnitSystem = Schemas["UnitSystem"];

let token = "";

const client = createClient<paths>({ baseUrl: "/" });
client.use({
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-Wellsedes-Token", token);
    return request;
  },
});

export const api = client;

/** Who is signed in; renews the token that changing requests carry. */
export async function fetchMe() {
  const { data } = await client.GET("/api/me");
  token = data!.token;
  return data!;
}

/** The message of a failed answer, in words for a person. */
export function messageOf(error: unknown): string {
  if (error && typeof error === "object") {
    const problem = error as { message?: string; detail?: string; title?: string };
    return problem.message ?? problem.detail ?? problem.title ?? "Something went wrong.";
  }
  return "The server cannot be reached.";
}
