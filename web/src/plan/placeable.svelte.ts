/* Maps and sets that are made anew whenever what they are of changes need not be reactive by themselves. */
/* eslint-disable svelte/prefer-svelte-reactivity */
import { SvelteMap, SvelteSet } from "svelte/reactivity";
import { api, messageOf, type CatalogueEntry, type CatalogueItem, type FormView } from "../app/api";
import { Asked } from "./latestAnswer";
import type { OpenPlan } from "./openPlan.svelte";

/** What is remembered in this browser of what somebody likes to place: keys of the catalogue, newest first. */
class Kept {
  readonly keys = new SvelteSet<string>();
  constructor(
    private readonly name: string,
    private readonly most: number,
  ) {
    try {
      for (const key of JSON.parse(localStorage.getItem(name) ?? "[]") as string[]) this.keys.add(key);
    } catch {
      // What cannot be read is begun anew.
    }
  }
  add(key: string) {
    const all = [key, ...[...this.keys].filter((one) => one !== key)].slice(0, this.most);
    this.keys.clear();
    for (const one of all) this.keys.add(one);
    this.keep();
  }
  toggle(key: string) {
    if (!this.keys.delete(key)) return this.add(key);
    this.keep();
  }
  private keep() {
    try {
      localStorage.setItem(this.name, JSON.stringify([...this.keys]));
    } catch {
      // A browser that keeps nothing still remembers until it is closed.
    }
  }
}

/**
 * What can be placed on a plan: what ships, the own items it carries, those of its project. How they look is asked for when
 * they come into view; what answers a search, the server says.
 */
export class Placeable {
  readonly recent = new Kept("wellsedes-recent", 30);
  readonly favourites = new Kept("wellsedes-favourites", 200);
  private readonly forms = new SvelteMap<string, FormView>();
  private readonly library = new SvelteMap<string, CatalogueEntry>();
  private readonly mine = new SvelteMap<string, CatalogueEntry>();
  /** The own item whose fields are open; null for none. */
  edited = $state<string | null>(null);
  private readonly asked = new Asked();
  private readonly wanted = new Set<string>();
  /** Keys that answer what is looked for; null when nothing is. */
  found = $state.raw<string[] | null>(null);

  /** The kind whose placed items are to become another, while that is being chosen; null else. */
  exchanged = $state<string | null>(null);
  /** What they are to become. */
  becoming = $state<string | null>(null);

  constructor(private readonly plan: OpenPlan) {}

  /** Chooses what they become; an item of the project's is brought in first. */
  async become(key: string) {
    if (await this.bringIn(key)) this.becoming = key;
  }
  endExchange() {
    this.exchanged = null;
    this.becoming = null;
  }

  private shipped = $derived.by(
    () => new Map((this.plan.catalogue?.items ?? []).map((entry) => [entry.item.key, entry])),
  );
  /** The plan's own items, its project's and somebody's own, by key: the nearest stand for the others. */
  own = $derived.by(() => {
    const all = new Map([...this.mine, ...this.library]);
    for (const entity of this.plan.all("own-item")) {
      const item = entity.item;
      const like = this.shipped.get(item.likeKey || "")?.round ?? this.roundMakers.has(item.maker);
      all.set(item.key, { item, round: like, madeOf: "" });
    }
    return all;
  });
  private roundMakers = $derived.by(
    () => new Set((this.plan.catalogue?.items ?? []).filter((e) => e.round).map((e) => e.item.maker)),
  );
  all = $derived.by(() => [...this.own.values(), ...(this.plan.catalogue?.items ?? [])]);

  entry(key: string): CatalogueEntry | undefined {
    return this.own.get(key) ?? this.shipped.get(key);
  }

  /** How an item looks at its usual size; asked for when it is not known yet. */
  form(key: string): FormView | undefined {
    const version = this.versionOf(key);
    const known = this.forms.get(version);
    if (!known && !this.wanted.has(version)) {
      if (!this.wanted.size) queueMicrotask(() => void this.fetchForms());
      this.wanted.add(version);
    }
    return known;
  }

  /** An own item changes under its key; what is known of it holds for its size and its maker. */
  private versionOf(key: string) {
    const own = this.own.get(key)?.item;
    return own
      ? `${key}@${JSON.stringify([own.maker, own.size, own.seats, own.parameters, own.uses, own.shape?.front, own.shape?.picture?.data.length])}`
      : key;
  }

  private async fetchForms() {
    const wanted = [...this.wanted].slice(0, 60);
    const { data } = await api
      .GET("/api/plans/{planId}/forms", {
        params: {
          path: { planId: this.plan.id },
          query: { key: wanted.map((version) => version.split("@")[0]!) },
        },
      })
      .catch(() => ({ data: undefined }));
    for (const version of wanted) {
      this.wanted.delete(version);
      const form = data?.[version.split("@")[0]!];
      if (form) this.forms.set(version, form);
    }
    if (this.wanted.size) void this.fetchForms();
  }

  /** How an item looks at the size that was bought. */
  async formAt(key: string, size: { width?: number; depth?: number; height?: number }) {
    const { data } = await api
      .GET("/api/plans/{planId}/form", {
        params: { path: { planId: this.plan.id }, query: { key, ...size } },
      })
      .catch(() => ({ data: undefined }));
    return data;
  }

  /** Looks for what was typed. */
  async search(text: string) {
    const newest = this.asked.newest();
    if (!text.trim()) {
      this.found = null;
      return;
    }
    // Until the server has answered, and where it cannot: by the words of names alone.
    this.found = this.byName(text);
    const { data } = await api
      .GET("/api/plans/{planId}/catalogue", {
        params: { path: { planId: this.plan.id }, query: { text } },
      })
      .catch(() => ({ data: undefined }));
    if (data && newest()) this.found = data;
  }

  private byName(text: string) {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return this.all
      .filter(({ item }) => words.every((word) => `${item.name} ${item.words}`.toLowerCase().includes(word)))
      .map(({ item }) => item.key);
  }

  /** The picture of an own item; undefined for what has none. */
  pictureOf(key: string): string | undefined {
    return this.own.get(key)?.item.shape?.picture?.data;
  }

  /** Keeps a shape that was read from a picture as an own item of the plan; its key, or null where that was refused. */
  async keepShape(made: {
    name: string;
    kind: string;
    size: { width: number; depth: number; height: number };
    shape: NonNullable<CatalogueItem["shape"]>;
    subKind: string;
  }): Promise<string | null> {
    const key = this.plan.newId("own");
    const item = {
      ...made,
      key,
      name: made.name.trim(),
      maker: "outline",
      source: { title: "Own item", confidence: "high" },
      seats: {},
      tag: "OW",
    };
    const done = await this.plan.do({
      do: "put-own-item",
      item: { id: key, libraryRevision: 0, item: item as never },
    });
    return done ? key : null;
  }

  /** Where an own item is kept beside the plan. */
  keptIn(key: string) {
    return { project: this.library.has(key), mine: this.mine.has(key), plan: this.plan.entities.has(key) };
  }

  /** The own items of the project, which any of its plans may take, and those somebody keeps for all projects. */
  async openLibrary() {
    const projectId = this.plan.view?.projectId;
    if (!projectId) return;
    const nothing = () => ({ data: undefined });
    const [project, mine] = await Promise.all([
      api.GET("/api/projects/{projectId}/library", { params: { path: { projectId } } }).catch(nothing),
      api.GET("/api/my-library").catch(nothing),
    ]);
    const entry = (item: CatalogueItem) => ({ item, round: this.roundMakers.has(item.maker), madeOf: "" });
    if (project.data) {
      this.library.clear();
      for (const { item } of project.data) this.library.set(item.key, entry(item));
    }
    if (mine.data) {
      this.mine.clear();
      for (const item of mine.data) this.mine.set(item.key, entry(item));
    }
  }

  /** An item of the project's or of somebody's own is brought into the plan before it is placed; others are there. */
  async bringIn(key: string): Promise<boolean> {
    const item = (this.library.get(key) ?? this.mine.get(key))?.item;
    if (!item || this.plan.entities.has(key)) return true;
    return this.plan.do({ do: "put-own-item", item: { id: key, item, libraryRevision: 0 } });
  }

  /** Keeps an own item with the project, for its other plans too, or for all of somebody's projects; "" when it is kept. */
  async keep(key: string, where: "project" | "mine"): Promise<string> {
    const item = this.own.get(key)?.item;
    const projectId = this.plan.view?.projectId;
    if (!item || !projectId) return "It is no own item.";
    return this.changed(
      where === "project"
        ? api.PUT("/api/projects/{projectId}/library/{key}", {
            params: { path: { projectId, key } },
            body: item,
          })
        : api.PUT("/api/my-library/{key}", { params: { path: { key } }, body: item }),
    );
  }

  /** Takes an own item out of the project's, or out of somebody's own; plans that use it keep their copies. */
  async takeOut(key: string, where: "project" | "mine"): Promise<string> {
    const projectId = this.plan.view?.projectId ?? "";
    return this.changed(
      where === "project"
        ? api.DELETE("/api/projects/{projectId}/library/{key}", { params: { path: { projectId, key } } })
        : api.DELETE("/api/my-library/{key}", { params: { path: { key } } }),
    );
  }

  /** Brings the project's newest of an own item into all of its plans; what came of it, in words. */
  async renew(key: string): Promise<string> {
    const projectId = this.plan.view?.projectId ?? "";
    const kept = await this.keep(key, "project");
    if (kept) return kept;
    const { data, error } = await api
      .POST("/api/projects/{projectId}/library/{key}/renewal", { params: { path: { projectId, key } } })
      .catch(() => ({ data: undefined, error: { message: "The server cannot be reached." } }));
    if (!data) return messageOf(error);
    const not = data.filter((one) => one.problem);
    return (
      `Now in ${data.length - not.length} ${data.length - not.length === 1 ? "plan" : "plans"} as it is here.` +
      not.map((one) => ` Not in “${one.title}”: ${one.problem}`).join("")
    );
  }

  private async changed(asked: Promise<{ error?: unknown }>): Promise<string> {
    const { error } = await asked.catch(() => ({ error: { message: "The server cannot be reached." } }));
    if (error) return messageOf(error);
    await this.openLibrary();
    return "";
  }
}

/** A plain box, until it is known how something looks. */
export function boxForm(size: unknown): FormView {
  const { width, depth } = size as { width: number; depth: number };
  const [x, y] = [width / 2, depth / 2];
  return {
    symbol: [{ role: "Body", path: `M${-x} ${-y}L${x} ${-y}L${x} ${y}L${-x} ${y}Z`, fine: false }],
    outlines: [
      [
        { x: -x, y: -y },
        { x, y: -y },
        { x, y },
        { x: -x, y },
      ],
    ],
    box: [-x, -y, x, y],
    frontMark: { x: 0, y: -y },
    seats: 0,
    flat: false,
  } as FormView;
}
