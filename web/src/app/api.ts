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
export type Level = Schemas["EntityLevel"];
export type Boundary = Schemas["EntityBoundary"];
export type Fitting = Schemas["EntityFitting"];
export type Scheme = Schemas["EntityScheme"];
export type ThingView = Schemas["ThingView"];
export type ThingKindView = Schemas["ThingKindView"];
export type FiguresView = Schemas["FiguresView"];
export type SettingOutLine = Schemas["EntitySettingOutLine"];
export type Backing = Schemas["EntityBacking"];
export type ModelView = Schemas["ModelView"];
export type ModelLevelView = Schemas["ModelLevelView"];
export type FacesView = Schemas["FacesView"];
export type ModelRead = Schemas["ModelRead"];
export type OwnMesh = Schemas["OwnMesh"];
export type Viewpoint = Schemas["EntityViewpoint"];
export type TakenEntry = Schemas["TakenEntry"];
export type BookView = Schemas["BookView"];
export type ProjectBooksView = Schemas["ProjectBooksView"];
export type MeasureView = Schemas["MeasureView"];
export type LastIssued = Schemas["LastIssuedView"];
export type RoomHold = Schemas["RoomHold"];
export type ExitLoad = Schemas["ExitLoad"];
export type RuleView = Schemas["RuleView"];
export type AskView = Schemas["AskView"];
export type SeenView = Schemas["SeenView"];
export type WallType = Schemas["EntityWallType"];
/** A thing of whatever kind: what every kind has; the rest is told by its kind's fields. */
export interface Thing {
  id: string;
  type: string;
  levelId: string;
  schemeId?: string;
  x: number;
  y: number;
  rotation: number;
  width: number;
  depth: number;
  locked?: boolean;
  [field: string]: unknown;
}
export type Certainty = Schemas["Certainty"];
export type ChainSide = Schemas["ChainSide"];
export type RoomView = Schemas["RoomView"];
export type RoomFigures = Schemas["RoomFigures"];
export type WallView = Schemas["WallView"];
export type PictureView = Schemas["PictureView"];
export type Survey = Schemas["Survey"];
export type Dimension = Schemas["EntityDimension"];
export type Checks = Schemas["EntityChecks"];
export type Brief = Schemas["EntityBrief"];
export type SheetSettings = Schemas["EntitySheetSettings"];
export type PlanDetails = Schemas["EntityPlanDetails"];
export type Edit = Schemas["Edit"];
export type Problem = Schemas["Problem"];
export type ChangedView = Schemas["ChangedView"];
export type ChangeMade = Schemas["ChangeMade"];
export type EditDone = Schemas["EditDone"];
export type ProbeView = Schemas["ProbeView"];
export type Near = Schemas["NearDistance"];
export type NearView = Schemas["NearView"];
export type WallAhead = Schemas["WallAhead"];
export type RegisterEntry = Schemas["RegisterEntry"];
export type SheetFacts = Schemas["SheetFacts"];
export type OpeningKind = NonNullable<Schemas["EntityOpening"]["kind"]>;
export type FinishesView = Schemas["FinishesView"];
export type FinishView = Schemas["FinishView"];
export type CatalogueItem = Schemas["CatalogueItem"];
export type CutoutRead = Schemas["CutoutRead"];
export type SmallPicture = Schemas["SmallPicture"];
export type Mending = Schemas["Mending"];
export type SchemesCompared = Schemas["SchemesCompared"];
export type BlockOffer = Schemas["BlockOffer"];
export type FillCandidate = Schemas["FillCandidate"];
export type Sight = Schemas["Sight"];
export type View = Schemas["EntityView"];
export type SubjectsView = Schemas["SubjectsView"];
export type ReadyKind = Schemas["ReadyKind"];
export type Cluster = Schemas["EntityCluster"];
export type Repeat = Schemas["EntityRepeat"];
export type GroupFigures = Schemas["GroupFigures"];
export type RepeatFigures = Schemas["RepeatFigures"];
export type Finish = Schemas["EntityFinish"];
export type OutlineRead = Schemas["OutlineRead"];
export type Tint = Schemas["Tint"];
export type UnitSystem = Schemas["UnitSystem"];

export interface Spot {
  x: number;
  y: number;
}

/** Where a hand points while it draws; asked over the live link (see AimQuestion in Core). */
export interface AimQuestion {
  levelId: string;
  at: Spot;
  catch: number;
  from?: Spot;
  before?: Spot;
  start?: Spot;
  length?: number;
  angle?: number;
}

export interface Aim {
  at: Spot;
  caught: string;
  length: number;
  angle?: number;
  heading: number;
  guides: Spot[];
}

/** What is to be worked out in the background (see WorkOrder on the server). */
export interface WorkOrder {
  kind: string;
  schemeId?: string;
  picture?: { width: number; height: number; titled: boolean; from?: Viewpoint };
}

/** How background work stands, of which revision of the plan. */
export interface WorkTold {
  revision: number;
  stage: "Working" | "Fresh" | "Stale" | "Refused";
  progress: number;
  file?: string;
  message: string;
}

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

/** Sends a file as it is. The answer is what came of it, or what is wrong in words. */
async function sendFile<T>(path: string, file: File, type: string): Promise<T | { message: string }> {
  try {
    const answer = await fetch(path, {
      method: "POST",
      headers: { "X-Wellsedes-Token": token, "Content-Type": type },
      body: file,
    });
    const body = await answer.json().catch(() => null);
    return answer.ok ? (body as T) : { message: messageOf(body) };
  } catch {
    return { message: "The server cannot be reached." };
  }
}

/** Sends a picture or PDF page to be kept with a plan. */
export const sendPicture = (planId: string, file: File, page: number) =>
  sendFile<PictureView>(
    `/api/plans/${planId}/pictures?${new URLSearchParams({ name: file.name.slice(0, 80), page: `${page}` })}`,
    file,
    "application/octet-stream",
  );

/** Has an SVG picture read as an outline at a true width in mm. */
export const sendOutline = (planId: string, file: File, width: number, height: number) =>
  sendFile<OutlineRead>(
    `/api/plans/${planId}/outlines?${new URLSearchParams({ width: `${width}`, height: `${height}` })}`,
    file,
    "image/svg+xml",
  );

/** Has a GLB model read: its outline from above, its size and its triangles. */
export const sendModel = (planId: string, file: File, upIsZ: boolean) =>
  sendFile<ModelRead>(`/api/plans/${planId}/models?upIsZ=${upIsZ}`, file, "model/gltf-binary");

/** Has a picture made small, for a floor. */
export const sendSmallPicture = (planId: string, file: File) =>
  sendFile<SmallPicture>(`/api/plans/${planId}/small-pictures`, file, "application/octet-stream");

/** Takes a file of own items into a project, or among somebody's own ones. */
export const sendOwnItems = (projectId: string | "mine", file: File) =>
  sendFile<unknown>(
    projectId === "mine" ? "/api/my-library-file" : `/api/projects/${projectId}/library-file`,
    file,
    "application/json",
  );

/** The message of a failed answer, in words for a person. */
export function messageOf(error: unknown): string {
  if (error && typeof error === "object") {
    const problem = error as { message?: string; detail?: string; title?: string };
    return problem.message ?? problem.detail ?? problem.title ?? "Something went wrong.";
  }
  return "The server cannot be reached.";
}

/** Takes a plan file in as a new plan of a project. */
export const sendPlanFile = (projectId: string, file: File | string) =>
  api.POST("/api/projects/{projectId}/plan-files", {
    params: { path: { projectId } },
    body: file as never,
    bodySerializer: (body) => body as never,
    headers: { "Content-Type": "application/json" },
  });
