import type { ModelLevelView, ModelView, Viewpoint } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";
import { atEyeLevel, remember, remembered, rounded, type Look, type Shown } from "./look";
import type { Space } from "./space";

type Shows = Viewpoint["shows"];
type Seat = ModelLevelView["seats"][number];

export const usualCut = 900;
const seated = 1200;
/** Eyes above the floor, in mm: standing, seated, in a wheelchair. */
export const eyes = [
  [0, "From above"],
  [1600, "Standing"],
  [seated, "Seated"],
  [1150, "Wheelchair"],
] as const;

/** How one person looks into a scheme: from where, and what is shown. */
export class Looking {
  space = $state.raw<Space | null>(null);
  model = $state.raw<ModelView | null>(null);
  /** The height of the eyes in mm; 0 from above. */
  eye = $state(0);
  stacked = $state(false);
  people = $state(false);
  findings = $state(false);
  cutHeight = $state(usualCut);
  /** At rest a finer picture takes the place of the quick one. */
  soft = $state(false);
  daylight = $state.raw<Shows["daylight"]>(null);
  /** Counts what is looked at: who waits for the hand to rest is told by it. */
  turned = $state(0);
  /** The seat that is looked from; "" for none. */
  seat = $state("");

  constructor(readonly plan: OpenPlan) {}

  get viewpoints(): Viewpoint[] {
    return (this.plan.all("viewpoint") as Viewpoint[])
      .filter((one) => one.schemeId === this.plan.schemeId)
      .sort((a, b) => a.name.localeCompare(b.name, "en"));
  }

  get shows(): Shows {
    return {
      inside: this.eye > 0,
      allLevels: this.stacked,
      people: this.people,
      findings: this.findings,
      cutHeight: this.cutHeight,
      daylight: this.daylight,
    };
  }

  get here(): ModelLevelView | undefined {
    return this.model?.levels.find((level) => level.levelId === this.plan.levelId);
  }

  /** What the canvas shows now, as a viewpoint: as high as it is shown. */
  asShown(): Viewpoint | null {
    const view = this.asViewpoint("now", "Now");
    return view && this.space && { ...view, fieldOfView: this.space.shownField };
  }

  /** The look as it is now, as a viewpoint of a name. */
  asViewpoint(id: string, name: string): Viewpoint | null {
    if (!this.space) return null;
    const { inside, levelId, ...look } = rounded(this.space.look());
    return {
      type: "viewpoint",
      id,
      schemeId: this.plan.schemeId,
      levelId: levelId || this.plan.levelId,
      name,
      ...look,
      shows: { ...this.shows, inside },
    };
  }

  async keep(id: string, name: string) {
    const viewpoint = this.asViewpoint(id, name);
    return viewpoint !== null && (await this.plan.do({ do: "put-viewpoint", viewpoint }));
  }

  /** Looks from a viewpoint, and shows what it shows. */
  go(from: Viewpoint) {
    const { shows, ...look } = from;
    this.showAs(shows);
    this.seat = "";
    if (this.plan.levelId !== from.levelId) this.plan.lookAt(from.levelId);
    this.goTo({ ...look, inside: shows.inside ?? false });
  }

  private goTo(look: Look, isKept = true) {
    this.eye = this.space?.go(look, isKept) ?? 0;
  }

  /** Sits down on a seat and looks at what is selected, else the way that the seat looks. */
  sitOn(seat: Seat) {
    const at = this.plan.selectedItems.find((item) => item.id !== seat.itemId);
    const heading = at ? (Math.atan2(at.y - seat.y, at.x - seat.x) * 180) / Math.PI : seat.heading;
    this.seat = seat.name;
    this.goTo({
      levelId: this.plan.levelId,
      x: seat.x,
      y: seat.y,
      z: seat.z + seated,
      heading,
      pitch: 0,
      fieldOfView: atEyeLevel,
      inside: true,
    });
  }

  private restored = "";
  /** Looks again as this person looked at the scheme last; once. */
  restore() {
    const { id, schemeId, levelId } = this.plan;
    if (!this.space || this.restored === schemeId) return;
    this.restored = schemeId;
    const last = remembered(id, schemeId);
    if (!last) return;
    const { shown, ...look } = last;
    if (shown) this.showAs(shown);
    if (look.levelId === levelId) this.goTo(look, false);
  }

  private showAs(shown: Partial<Shown>) {
    this.stacked = shown.allLevels ?? false;
    this.people = shown.people ?? false;
    this.findings = shown.findings ?? false;
    this.cutHeight = shown.cutHeight ?? usualCut;
    this.daylight = shown.daylight ?? null;
    this.soft = shown.soft ?? this.soft;
  }

  /** Remembers for this person how the scheme is looked at. */
  remember() {
    const { stacked: allLevels, people, findings, cutHeight, daylight, soft } = this;
    if (this.space && this.restored === this.plan.schemeId)
      remember(this.plan.id, this.plan.schemeId, this.space.look(), {
        allLevels,
        people,
        findings,
        cutHeight,
        daylight: daylight ?? null,
        soft,
      });
  }

  looked() {
    this.turned++;
    this.remember();
  }
}
