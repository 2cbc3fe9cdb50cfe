import { api, type Edit, type SubjectsView, type View } from "../app/api";
import { Asked } from "./latestAnswer";
import type { OpenPlan } from "./openPlan.svelte";

const none: ReadonlySet<string> = new Set();

/** What of the scheme is seen, by the view this person looks by; what is locked holds for everybody. */
export class Viewing {
  /** The view that is looked by; "" for one that shows everything. */
  viewId = $state("");
  /** Whether the panel of views is open; it comes back so after something was selected. */
  isOpen = $state(false);
  /** What it leaves unseen, as the server has found it. */
  private unseen = $state.raw<ReadonlySet<string>>(none);
  subjects = $state.raw<SubjectsView>({ subjects: [], ready: [] });
  private readonly asked = new Asked();
  private readonly listed = new Asked();

  constructor(private readonly plan: OpenPlan) {}

  get views(): View[] {
    return (this.plan.all("view") as View[])
      .filter((view) => view.schemeId === this.plan.schemeId)
      .sort((a, b) => a.name.localeCompare(b.name, "en"));
  }
  get view() {
    return this.views.find((view) => view.id === this.viewId);
  }
  get locked(): readonly string[] {
    return this.plan.all("locks").find((locks) => locks.schemeId === this.plan.schemeId)?.locked ?? [];
  }

  /** The shell is seen whole where it is worked on. */
  isSeen(id: string) {
    return this.plan.stage === "shell" || !this.unseen.has(id);
  }
  get unseenCount() {
    return this.plan.stage === "shell" ? 0 : this.unseen.size;
  }

  private get place() {
    return `wellsedes-view-${this.plan.id}-${this.plan.schemeId}`;
  }

  /** Looks by the view this person looked by last in the scheme. */
  begin() {
    this.look(localStorage.getItem(this.place) ?? "");
  }

  look(viewId: string) {
    this.viewId = viewId;
    if (viewId) localStorage.setItem(this.place, viewId);
    else localStorage.removeItem(this.place);
    void this.renew();
  }

  /** Asks anew what is unseen: what stands in a zone, and what is of a group, changes with every edit. */
  async renew() {
    const newest = this.asked.newest();
    if (!this.view) {
      // One that somebody has removed meanwhile.
      if (this.viewId && this.plan.view) this.viewId = "";
      this.take(none);
      return;
    }
    const query = { viewId: this.viewId };
    const { data } = await api
      .GET("/api/plans/{planId}/unseen", { params: { path: { planId: this.plan.id }, query } })
      .catch(() => ({ data: undefined }));
    // Looked up, and made anew with every answer.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    if (data && newest()) this.take(new Set(data));
  }

  private take(unseen: ReadonlySet<string>) {
    if (unseen.size === 0 && this.unseen.size === 0) return;
    this.unseen = unseen;
    const hidden = [...this.plan.selected].filter((id) => unseen.has(id));
    for (const id of hidden) this.plan.selected.delete(id);
    this.plan.repaintAll();
  }

  /** What can be seen, printed and locked together. */
  async list() {
    const newest = this.listed.newest();
    const query = { schemeId: this.plan.schemeId };
    const { data } = await api
      .GET("/api/plans/{planId}/subjects", { params: { path: { planId: this.plan.id }, query } })
      .catch(() => ({ data: undefined }));
    if (data && newest()) this.subjects = data;
  }

  /** Makes a view, and looks by it. */
  async make(name: string, hidden: readonly string[], notPrinted: readonly string[]): Promise<boolean> {
    const id = this.plan.newId("view");
    const view = { id, schemeId: this.plan.schemeId, name, hidden: [...hidden], notPrinted: [...notPrinted] };
    if (!(await this.plan.do({ do: "put-view", view } as Edit))) return false;
    this.look(id);
    return true;
  }

  /** Shows or hides, prints or leaves out, what falls under a subject. Who looks at everything begins a view by it. */
  async turn(key: string, list: "hidden" | "notPrinted") {
    const view = this.view;
    if (!view) {
      const names = this.views.map((one) => one.name);
      let n = 1;
      while (names.includes(`View ${n}`)) n++;
      await this.make(`View ${n}`, list === "hidden" ? [key] : [], list === "notPrinted" ? [key] : []);
      return;
    }
    await this.plan.do(() => {
      const now = this.view ?? view;
      const keys = now[list].includes(key) ? now[list].filter((k) => k !== key) : [...now[list], key];
      return { do: "put-view", view: { ...now, [list]: keys } } as Edit;
    });
    await this.renew();
  }

  lock(key: string) {
    return this.plan.do(() => {
      const now = this.locked;
      const locked = now.includes(key) ? now.filter((k) => k !== key) : [...now, key];
      return { do: "set-locks", schemeId: this.plan.schemeId, locked } as Edit;
    });
  }
}
