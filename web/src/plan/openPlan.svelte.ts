import { SvelteMap, SvelteSet } from "svelte/reactivity";
import {
  api,
  messageOf,
  type Brief,
  type CatalogueView,
  type ChangedView,
  type ChangeMade,
  type Checks,
  type Edit,
  type Entity,
  type Finding,
  type FormView,
  type Aim,
  type AimQuestion,
  type FiguresView,
  type Item,
  type ItemView,
  type Level,
  type PlanDetails,
  type PlanView,
  type ProbeView,
  type Problem,
  type Scheme,
  type Spot,
  type SchemesCompared,
  type SheetSettings,
  type ShellView,
  type Thing,
  type ThingView,
  type Wall,
  type WorkOrder,
  type WorkTold,
} from "../app/api";
import { Asked } from "./latestAnswer";
import { Doing, type Refusal } from "./doing.svelte";
import { Finishing } from "./finishing.svelte";
import { Groups } from "./groups.svelte";
import { noneHeld, type Held } from "./held";
import { LiveLink } from "./live";
import { NearBy } from "./nearBy.svelte";
import { Placeable } from "./placeable.svelte";
import { Proving } from "./proving.svelte";
import { Viewing } from "./viewing.svelte";

export type Stage = "shell" | "furnish" | "prove" | "issue";

/** The plan as this person has it open: its entities, what is derived from them, and what is selected. */
export class OpenPlan {
  readonly entities = new SvelteMap<string, Entity>();
  readonly selected = new SvelteSet<string>();
  /** Forms and item views are looked up while painting; they are not reactive by themselves. */
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  readonly forms = new Map<string, FormView>();
  readonly itemViews = new SvelteMap<string, ItemView>();

  view = $state.raw<PlanView | null>(null);
  /** The scheme that is looked at. */
  schemeId = $state("");
  /** The sheet that is looked at; "" for the scheme's own of the level. */
  sheetId = $state("");
  private readonly thingViews = new SvelteMap<string, ThingView>();
  /** The level that is looked at. */
  levelId = $state("");
  /** Another level shown faint beneath; "" for none. */
  faintLevelId = $state("");
  /** Another scheme shown faint beneath; "" for none. */
  faintSchemeId = $state("");
  /** What changes from that scheme to this one, drawn while it is looked at. */
  compared = $state.raw<SchemesCompared | null>(null);
  private readonly shells = new SvelteMap<string, ShellView>();
  catalogue = $state.raw<CatalogueView | null>(null);
  stage = $state<Stage>("furnish");
  /** The part of Shell that is open. */
  part = $state("Rooms");
  offline = $state(false);
  /** Items a hand moves, as they were and as they are by now; empty where they were put back. It stays until the next is moved. */
  heldAway = $state.raw<Held>(noneHeld);
  /** Counts pictures in space that the register has got. */
  pictureTaken = $state(0);
  /** The answer to the newest probe while a hand is moving. */
  probe = $state.raw<ProbeView | null>(null);
  private readonly nearBy = new NearBy();
  /** How floors and items are finished. */
  readonly finishing: Finishing;
  /** What can be placed on it. */
  readonly placeable = new Placeable(this);
  /** What of it belongs together. */
  readonly groups = new Groups(this);
  readonly proving = new Proving(this);
  /** What of it is seen. */
  readonly viewing = new Viewing(this);
  finding = $state<string | null>(null);
  route = $state.raw<{ x: number; y: number }[]>([]);
  /** Counts content changes, so that the canvas knows when to paint anew. */
  changes = $state(0);
  /** Ids changed since the canvas last looked; "all" for everything. */
  dirty: Set<string> | "all" = "all";

  private link: LiveLink | null = null;
  /** What this person does to it. */
  readonly doing: Doing;
  /** Items put down somewhere whose edit is not yet answered: there they are shown. */
  private readonly carried = new SvelteMap<string, { item: Item; shown: Item; by: object }>();
  /** What a hand holds; when somebody else changes it meanwhile, that is said. */
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  inHand: ReadonlySet<string> = new Set();

  constructor(readonly id: string) {
    // The parts it asks for, as they are when they are asked for.
    // eslint-disable-next-line @typescript-eslint/no-this-alias
    const plan = this;
    this.finishing = new Finishing(id, () => this.touch("all"));
    this.doing = new Doing({
      id,
      get person() {
        return plan.view?.personId ?? "";
      },
      get schemeId() {
        return plan.schemeId;
      },
      get revision() {
        return plan.view?.revision ?? 0;
      },
      get editWords() {
        return plan.editWords;
      },
      nameOf: (entity) => this.nameOf(entity),
      done: (done) => {
        this.merge(done.changed);
        if (this.view) this.view = { ...this.view, undo: done.undo };
        void this.renewNear();
      },
    });
  }

  get refusal() {
    return this.doing.refusal;
  }
  set refusal(refusal: Refusal | null) {
    this.doing.refusal = refusal;
  }
  get notice() {
    return this.doing.notice;
  }
  set notice(notice: string) {
    this.doing.notice = notice;
  }

  get units() {
    return this.details?.units ?? "Metric";
  }
  get details() {
    return this.entities.get("plan") as PlanDetails | undefined;
  }
  /** Whether the person's role lets them change the plan. */
  get canWrite() {
    return this.view !== null && this.view.role !== "Viewer";
  }
  /** Whether the plan can be changed now: a plan with a fault opens for reading only. */
  get canEdit() {
    return this.canWrite && !this.view!.fault;
  }
  get figures() {
    return this.probe?.figures ?? this.view?.figures ?? null;
  }
  /** Clear distances from what is selected to what is near it. */
  get near() {
    return this.nearBy.list;
  }
  /** What is said where what is selected does not fit; "" where it does. */
  get unfit() {
    return this.nearBy.unfit;
  }
  get fitMove() {
    return this.nearBy.fitMove;
  }
  /** The walls either side of what is selected. */
  get wallsAround() {
    return this.nearBy.walls;
  }
  get findings(): Finding[] {
    return this.figures?.findings ?? [];
  }

  /** What stands on the level that is looked at. */
  items = $derived.by(() =>
    [...this.entities.values()]
      .filter(
        (e): e is Item =>
          e.type === "item" &&
          e.levelId === this.levelId &&
          e.schemeId === this.schemeId &&
          this.viewing.isSeen(e.id),
      )
      .map((item) => this.asShown(item)),
  );

  /** What stands on the level in another scheme. */
  itemsOf(schemeId: string): Item[] {
    return [...this.entities.values()].filter(
      (e): e is Item =>
        e.type === "item" && e.levelId === this.levelId && e.schemeId === schemeId && !e.setAside,
    );
  }

  /** Whether it was put down somewhere and that is not yet answered. */
  isCarried(id: string) {
    return this.carried.has(id);
  }

  /** An item where it was put down, also before the server has answered. */
  private asShown(item: Item): Item {
    const carried = this.carried.get(item.id);
    if (!carried) return item;
    if (carried.item === item) return carried.shown;
    const { x, y, rotation } = carried.shown;
    return { ...item, x, y, rotation };
  }

  private restingThings = $derived.by(() =>
    [...this.thingViews.values()].filter(
      (t) =>
        t.levelId === this.levelId &&
        (t.schemeId ?? this.schemeId) === this.schemeId &&
        this.viewing.isSeen(t.id),
    ),
  );
  /** How the things of the level look, as they would be while a hand moves some of them. */
  shownThings = $derived.by(() => {
    const moved = this.probe?.things ?? [];
    return moved.length
      ? this.restingThings.map((t) => moved.find((m) => m.id === t.id) ?? t)
      : this.restingThings;
  });
  /** The outlines of a thing's floor, as it would be while a hand moves it. */
  outlinesOf(id: string): Spot[][] {
    const shown = this.probe?.things.find((thing) => thing.id === id) ?? this.thingViews.get(id);
    return (shown?.outlines ?? []) as Spot[][];
  }
  get faintThings(): ThingView[] {
    return [...this.thingViews.values()].filter((t) => t.levelId === this.faintLevelId && !t.schemeId);
  }

  /** The shell of the level, as it would be while a hand moves something of it. */
  get shell(): ShellView | null {
    return this.probe?.shell ?? this.shells.get(this.levelId) ?? null;
  }
  get faintShell(): ShellView | null {
    return this.shells.get(this.faintLevelId) ?? null;
  }
  get levels(): Level[] {
    return (this.all("level") as Level[]).sort((a, b) => a.elevation - b.elevation);
  }
  get level() {
    return this.entities.get(this.levelId) as Level | undefined;
  }
  /** Things of a kind on the level. */
  here<T extends "wall" | "boundary" | "setting-out-line" | "backing" | "dimension">(type: T) {
    return this.all(type).filter((e) => {
      const { levelId, schemeId } = e as { levelId: string; schemeId?: string };
      return (
        levelId === this.levelId &&
        (schemeId ?? this.schemeId) === this.schemeId &&
        this.viewing.isSeen(e.id!)
      );
    });
  }
  get editWords() {
    return this.catalogue?.edits ?? [];
  }

  private kindNames = $derived((this.catalogue?.things ?? []).map((kind) => kind.name));
  /** Whether an entity belongs to the scheme that is looked at. */
  isOfScheme(id: string) {
    return (this.entities.get(id) as { schemeId?: string } | undefined)?.schemeId === this.schemeId;
  }
  isThing(id: string) {
    return this.kindNames.includes(this.entities.get(id)?.type ?? "");
  }
  kindOf(thing: { type?: string }) {
    return this.catalogue?.things.find((kind) => kind.name === thing.type);
  }
  /** What a thing is called. */
  thingName(id: string) {
    return this.thingViews.get(id)?.name ?? "";
  }
  /** What one of its sort is called: "distance ring". */
  thingWord(id: string) {
    return this.thingViews.get(id)?.word ?? "";
  }
  /** Things on the level that can be worked on in this stage: those of the shell in Shell, those of the scheme in Furnish. */
  things: Thing[] = $derived.by(() => {
    const ofScheme = this.stage === "furnish";
    return [...this.entities.values()].filter((e) => {
      if (!this.kindNames.includes(e.type!)) return false;
      const thing = e as unknown as Thing;
      return (
        thing.levelId === this.levelId &&
        (ofScheme ? thing.schemeId === this.schemeId : !thing.schemeId) &&
        this.viewing.isSeen(thing.id)
      );
    }) as unknown as Thing[];
  });
  /** The wall that a wall or an opening belongs to; null for anything else. */
  wallOf(id: string): string | null {
    const entity = this.entities.get(id);
    return entity?.type === "wall" ? id : entity?.type === "opening" ? entity.wallId : null;
  }
  get openings() {
    return this.all("opening").filter(
      (o) => (this.entities.get(o.wallId) as Wall | undefined)?.levelId === this.levelId,
    );
  }

  /** Looks at another level; what was selected on the old one is let go. */
  lookAt(levelId: string) {
    if (levelId === this.levelId || !this.entities.has(levelId)) return;
    this.levelId = levelId;
    if (this.faintLevelId === levelId) this.faintLevelId = "";
    this.select([]);
    this.touch("all");
  }

  get schemes(): Scheme[] {
    return (this.all("scheme") as Scheme[]).sort((a, b) => (a.order ?? 0) - (b.order ?? 0));
  }
  /** Looks at another scheme; what was selected in the old one is let go, and its figures are asked for. */
  lookAtScheme(schemeId: string) {
    if (schemeId === this.schemeId || this.entities.get(schemeId)?.type !== "scheme") return;
    this.schemeId = schemeId;
    this.faintSchemeId = "";
    this.compared = null;
    this.sheetId = "";
    this.finding = null;
    this.route = [];
    this.stopAsking();
    this.select([]);
    this.touch("all");
    this.renewFinishes();
    this.viewing.begin();
    void this.renewFigures();
  }
  private readonly figuresAsked = new Asked();
  private async renewFigures() {
    const newest = this.figuresAsked.newest();
    const figures: FiguresView | undefined = await this.link?.figures(this.schemeId).catch(() => undefined);
    if (figures && this.view && newest()) this.view = { ...this.view, figures };
  }

  all<T extends Entity["type"]>(type: T) {
    return [...this.entities.values()].filter((e) => e.type === type) as Extract<Entity, { type?: T }>[];
  }
  get checks() {
    return this.all("checks").find((c) => c.schemeId === this.schemeId) as Checks;
  }
  get brief() {
    return this.all("brief").find((b) => b.schemeId === this.schemeId) as Brief;
  }
  /** The sheets of the scheme, by their numbers. */
  get sheets(): SheetSettings[] {
    const number = (s: SheetSettings) => s.titleBlock.sheetNumber ?? "";
    return (this.all("sheet").filter((s) => s.schemeId === this.schemeId) as SheetSettings[]).sort((a, b) =>
      number(a).localeCompare(number(b), "en", { numeric: true }),
    );
  }
  /** The sheet that is looked at: the chosen one, else the first of the level, else the first. */
  get sheet(): SheetSettings | undefined {
    const all = this.sheets;
    return all.find((s) => s.id === this.sheetId) ?? all.find((s) => s.levelId === this.levelId) ?? all[0];
  }
  item(id: string) {
    const entity = this.entities.get(id);
    return entity?.type === "item" ? this.asShown(entity as Item) : undefined;
  }
  get selectedItems() {
    return [...this.selected].map((id) => this.item(id)).filter((item): item is Item => !!item);
  }

  /** The form an item is drawn by; undefined where it is not known. */
  formOf(id: string) {
    return this.forms.get(this.itemViews.get(id)?.form ?? "");
  }

  // Made anew with every answer and only looked up.
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  private readonly moved = $derived(new Map((this.probe?.moved ?? []).map((entity) => [entity.id, entity])));
  /** An entity as the newest probe would leave it; undefined where it leaves it as it is. */
  asMoved(id: string): Entity | undefined {
    return this.moved.get(id);
  }

  /** What something is called; "" where it has no name of its own. */
  nameOf(id: string) {
    return this.itemViews.get(id)?.name ?? this.thingName(id);
  }

  private readonly opened = new Asked();
  /** Null when it opened, else what to tell the person. */
  async open(): Promise<string | null> {
    const newest = this.opened.newest();
    const [{ data, error }, catalogue] = await Promise.all([
      api.GET("/api/plans/{planId}", {
        params: { path: { planId: this.id }, query: { schemeId: this.schemeId || undefined } },
      }),
      this.catalogue ? Promise.resolve({ data: this.catalogue }) : api.GET("/api/catalogue"),
    ]);
    if (!data) return error ? messageOf(error) : "There is no such plan, or it is not shared with you.";
    this.catalogue = catalogue.data!;
    // Who has no space yet begins with it.
    if (
      !this.view &&
      !data.entities.some((entity) => ["wall", "boundary", "item"].includes(entity.type ?? ""))
    )
      this.stage = "shell";
    if (newest()) this.take(data);
    this.doing.begin();
    if (!this.link) {
      this.link = new LiveLink(this.id, {
        changed: (change) => this.merge(change),
        // Between opening and following, or while the link was down, somebody may have been quicker.
        follows: (revision) => {
          this.doing.wake();
          if (this.view && revision !== this.view.revision) void this.catchUp();
        },
        missed: () => void this.catchUp(),
        broken: (broken) => (this.offline = broken),
      });
      void this.link.start();
    }
    return null;
  }

  close() {
    this.link?.stop();
  }

  private catching = false;
  /** Fetches what was missed; when that is too long ago, or the plan is another, it is opened anew. */
  private async catchUp() {
    if (this.catching || !this.view) return;
    this.catching = true;
    try {
      const { data, response } = await api.GET("/api/plans/{planId}/changes", {
        params: { path: { planId: this.id }, query: { since: this.view.revision, schemeId: this.schemeId } },
      });
      if (data) this.merge(data);
      else if (response.status < 500) await this.open();
    } catch {
      // The link is down too, and what is missed is asked for when it is back.
    } finally {
      this.catching = false;
    }
  }

  private take(view: PlanView) {
    this.entities.clear();
    for (const entity of view.entities) this.entities.set(entity.id, entity);
    for (const [key, form] of Object.entries(view.forms)) this.forms.set(key, form);
    this.itemViews.clear();
    for (const item of view.items) this.itemViews.set(item.id, item);
    this.thingViews.clear();
    for (const thing of view.things) this.thingViews.set(thing.id, thing);
    this.shells.clear();
    for (const shell of view.shells) this.shells.set(shell.levelId, shell);
    if (!this.entities.has(this.levelId)) this.levelId = view.levelId;
    if (!this.entities.has(this.schemeId)) this.schemeId = view.schemeId;
    this.view = view;
    this.touch("all");
    this.renewFinishes();
    this.viewing.begin();
  }

  /** Finishes follow rooms, zones and themselves. */
  private renewFinishes() {
    const has = this.all("finish").some((finish) => finish.schemeId === this.schemeId);
    void this.finishing.renew(this.schemeId, has);
  }

  /** Has the canvas paint everything anew. */
  repaintAll() {
    this.touch("all");
  }

  private touch(ids: Iterable<string> | "all") {
    if (ids === "all" || this.dirty === "all") this.dirty = "all";
    else for (const id of ids) this.dirty.add(id);
    this.changes++;
  }

  private merge(change: ChangedView) {
    if (!this.view || change.revision <= this.view.revision) return;
    // Something was missed on the way; what the server has is right.
    if (change.since > this.view.revision) return void this.catchUp();
    const { revision: before } = this.view;
    this.tellOfHand(change.made.filter((made) => made.revision > before));
    for (const [key, form] of Object.entries(change.forms)) this.forms.set(key, form);
    for (const item of change.items) this.itemViews.set(item.id, item);
    for (const thing of change.things) this.thingViews.set(thing.id, thing);
    const finishes =
      change.shells.length > 0 ||
      change.things.length > 0 ||
      change.entities.some(({ id, after }) =>
        ["finish", "zone"].includes((after ?? this.entities.get(id))?.type ?? ""),
      );
    for (const { id, after } of change.entities) {
      if (after) this.entities.set(id, after);
      else {
        this.entities.delete(id);
        this.itemViews.delete(id);
        this.thingViews.delete(id);
        this.selected.delete(id);
      }
    }
    if (finishes) this.renewFinishes();
    if (this.viewing.viewId) void this.viewing.renew();
    const figures = change.figures.find((told) => told.schemeId === this.schemeId)?.figures;
    this.view = { ...this.view, revision: change.revision, figures: figures ?? this.view.figures };
    if (figures) this.figuresAsked.newest();
    if (!this.entities.has(this.schemeId)) this.lookAtScheme(this.schemes[0]!.id);
    else if (!figures) void this.renewFigures();
    for (const shell of change.shells) this.shells.set(shell.levelId, shell);
    for (const id of this.shells.keys()) if (!this.entities.has(id)) this.shells.delete(id);
    if (!this.entities.has(this.levelId)) this.levelId = this.levels[0]!.id;
    const shown = change.shells.some((s) => s.levelId === this.levelId || s.levelId === this.faintLevelId);
    const backing = change.entities.some((e) => (e.after ?? { type: "backing" }).type === "backing");
    const thing = change.things.length > 0 || change.entities.some((e) => !e.after);
    this.touch(shown || backing || thing ? "all" : change.entities.map((e) => e.id));
    if (this.finding && figures && !figures.findings.some((f) => f.id === this.finding)) this.show(null);
  }

  /** Says who has just changed what a hand holds. */
  private tellOfHand(made: ChangeMade[]) {
    for (const one of made) {
      if (this.doing.isOurs(one.request)) continue;
      const held = one.entityIds.find((id) => this.inHand.has(id));
      if (!held) continue;
      const who = one.authorId === this.view!.personId ? "You, in another window," : one.author;
      this.notice = `${who} changed this while you hold it: ${one.label}.`;
    }
  }

  /**
   * Does an edit (see Doing). Items that it puts somewhere are shown there at once, not only when it is answered.
   */
  async do(wanted: Edit | (() => Edit), base?: number, put: Item[] = []): Promise<boolean> {
    const by = {};
    for (const shown of put) {
      const item = this.entities.get(shown.id) as Item | undefined;
      if (item) this.carried.set(shown.id, { item, shown, by });
    }
    if (put.length) this.touch(put.map((item) => item.id));
    const done = await this.doing.do(wanted, base);
    for (const { id } of put) if (this.carried.get(id)?.by === by) this.carried.delete(id);
    if (put.length) this.touch(put.map((item) => item.id));
    return done;
  }

  undo = () => this.doing.back("undo");
  redo = () => this.doing.back("redo");

  private choices = 0;
  /** Selects what an edit makes once it is done, unless something else was selected meanwhile. */
  async selectWhen(work: Promise<boolean>, ids: string[]) {
    const before = this.choices;
    if ((await work) && this.choices === before) this.select(ids);
  }

  select(ids: Iterable<string>, add = false) {
    this.choices++;
    if (!add) this.selected.clear();
    for (const id of ids) this.selected.add(id);
    this.refusal = null;
    void this.renewNear();
  }

  async renewNear() {
    const one = this.selected.size === 1;
    const ids = [...this.selected].filter(
      (id) => this.item(id) || (one && (this.isThing(id) || this.entities.get(id)?.type === "boundary")),
    );
    await this.nearBy.renew(ids.slice(0, 50), async (id) => {
      const query = { id, schemeId: this.schemeId, levelId: this.levelId };
      const { data } = await api.GET("/api/plans/{planId}/near", {
        params: { path: { planId: this.id }, query },
      });
      return data;
    });
  }

  /** Asks what an edit would do while a hand moves. */
  ask(edit: Edit) {
    this.link?.probe(edit, this.levelId, this.schemeId, (answer) => {
      if (this.asking) this.probe = answer;
    });
    this.asking = true;
  }
  private asking = false;

  stopAsking() {
    this.asking = false;
    this.link?.dropProbe();
    this.probe = null;
  }

  /** Asks no more, and shows the last answer until an edit is done. */
  showUntil(edit: Promise<unknown>) {
    this.asking = false;
    this.link?.dropProbe();
    const shown = this.probe;
    void edit.finally(() => {
      if (this.probe === shown) this.probe = null;
    });
  }

  private readonly routeAsked = new Asked();
  /** Shows one finding on the plan, with the way it is about. */
  async show(id: string | null) {
    this.finding = id;
    this.route = [];
    const found = this.findings.find((f) => f.id === id);
    if (!id) return;
    if (found?.levelId) this.lookAt(found.levelId);
    const newest = this.routeAsked.newest();
    const answer = await api
      .GET("/api/plans/{planId}/route", {
        params: { path: { planId: this.id }, query: { finding: id, schemeId: this.schemeId } },
      })
      .catch(() => null);
    if (answer?.data && newest() && this.finding === id)
      this.route = answer.data as { x: number; y: number }[];
  }

  /** The ids of what a line of the tally counts; none where the server does not answer. */
  async countedBy(what: string): Promise<readonly string[]> {
    const { data } = await api
      .GET("/api/plans/{planId}/counted", {
        params: { path: { planId: this.id }, query: { what, schemeId: this.schemeId } },
      })
      .catch(() => ({ data: undefined }));
    return data ?? [];
  }

  /** The ids of what else is to be selected with an item; none where the server does not answer. */
  async selectionOf(
    id: string,
    which: "OfKind" | "OfRoom" | "OfZone" | "Beneath",
  ): Promise<readonly string[]> {
    const { data } = await api
      .GET("/api/plans/{planId}/selection", {
        params: { path: { planId: this.id }, query: { id, which, schemeId: this.schemeId } },
      })
      .catch(() => ({ data: undefined }));
    return data ?? [];
  }

  /** Takes back the last change of a plan that opens for reading only. */
  async takeBack() {
    const { error } = await api.POST("/api/plans/{planId}/take-back", {
      params: { path: { planId: this.id } },
    });
    if (error) this.refusal = { problem: error as Problem, asSure: null };
    await this.open();
  }

  /** Has something worked out in the background (see LiveLink). */
  work(order: WorkOrder, told: (told: WorkTold) => void, failed: () => void): () => void {
    return this.link?.work(order, told, failed) ?? (() => {});
  }

  /** Where a hand points; only the newest question is kept. */
  aim(question: AimQuestion, done: (aim: Aim) => void) {
    this.link?.aim(question, done);
  }
  /** An aim that is waited for; null when the link is down. */
  async aimNow(question: AimQuestion): Promise<Aim | null> {
    return (await this.link?.aimNow(question).catch(() => null)) ?? null;
  }
  /** The simulated distance meter; errors are told as a notice. */
  async useMeter(survey: number): Promise<string | null> {
    return this.meter(() => this.link!.useMeter(survey));
  }
  async pressMeter(): Promise<string | null> {
    return this.meter(() => this.link!.pressMeter());
  }
  private async meter<T>(ask: () => Promise<T>): Promise<T | null> {
    try {
      return await ask();
    } catch {
      this.notice = "The distance meter does not answer.";
      return null;
    }
  }

  private made = 0;
  /** An id nobody else makes. */
  newId(kind: string) {
    return `${kind}-${Date.now().toString(36)}${(this.made++).toString(36)}${Math.floor(Math.random() * 46656).toString(36)}`;
  }
}
