<script lang="ts">
  import { untrack } from "svelte";
  import {
    api,
    messageOf,
    type Edit,
    type FillCandidate,
    type Sight,
    type Spot,
    type Thing,
  } from "../../../app/api";
  import { tools } from "../../../canvas/tools.svelte";
  import { ghost } from "../../../canvas/ghost.svelte";
  import Choice from "../../../parts/Choice.svelte";
  import NumberField from "../../../parts/NumberField.svelte";
  import { Asked } from "../../../plan/latestAnswer";
  import { writeWidth } from "../../../plan/figures";
  import { directions, isOfChairs } from "../../../things/seating";
  import type { OpenPlan } from "../../../plan/openPlan.svelte";
  import FillPicture from "./FillPicture.svelte";
  import StyleCard from "./StyleCard.svelte";

  /** Who comes, how they sit, what must stay free: the answers are pictures, and one press takes one. */
  let { plan, onclose }: { plan: OpenPlan; onclose: () => void } = $props();

  const kind = $derived(plan.catalogue?.things.find((one) => one.name === "seating-block"));
  const styles = $derived(
    kind?.ready.map((one) => ({
      label: one.label,
      source: one.source,
      template: one.template as unknown as Thing,
    })) ?? [],
  );
  const rooms = $derived(plan.shell?.rooms ?? []);
  const zones = $derived(plan.things.filter((thing) => thing.type === "zone"));

  let guests = $state<number | null>(null);
  let style = $state("Rounds");
  let where = $state("");
  let facing = $state("90");
  /** A point that was pressed, to which they look in place of a direction. */
  let lookAt = $state.raw<Spot | null>(null);
  let ways = $state("Drawn");
  let dense = $state(false);

  const area = $derived.by(() => {
    const known = [
      ...rooms.flatMap((r) => [`room ${r.id}`, `free ${r.id}`]),
      ...zones.map((z) => `zone ${z.id}`),
    ];
    if (known.includes(where)) return where;
    const chosen = [...plan.selected][0];
    if (chosen && zones.some((z) => z.id === chosen)) return `zone ${chosen}`;
    const largest = [...rooms].sort((a, b) => b.netInternal - a.netInternal)[0];
    return largest ? `room ${largest.id}` : "";
  });
  const outlines = $derived.by((): Spot[][] => {
    const [what, id] = split(area);
    if (what !== "zone") {
      const room = rooms.find((r) => r.id === id);
      return room ? ([room.outline] as Spot[][]) : [];
    }
    return plan.outlinesOf(id);
  });
  const split = (text: string) => [text.slice(0, 4), text.slice(5)] as const;

  interface Question {
    edit: Edit;
    lookAt: Spot | null;
  }
  let id = "";
  const edit = $derived.by((): Edit | null => {
    const template = styles.find((one) => one.template.style === style)?.template;
    const [what, of] = split(area);
    if (!template || !of) return null;
    const thing = {
      ...template,
      id: untrack(() => (id ||= plan.newId("block"))),
      levelId: plan.levelId,
      schemeId: plan.schemeId,
      guests,
      facing: Number(facing),
      ways,
      layout: dense ? "Dense" : template.layout,
    };
    if (what !== "zone")
      return {
        do: "put-over-rooms",
        thing,
        roomIds: [of],
        onlyFree: what === "free",
        sure: true,
      } as unknown as Edit;
    const zone = zones.find((z) => z.id === of)!;
    const { x, y, rotation, width, depth } = zone;
    const shape = zone.shape ? { ...(zone.shape as object), rooms: [] } : null;
    return {
      do: "put-thing",
      thing: { ...thing, x, y, rotation, width, depth, shape },
      sure: true,
    } as unknown as Edit;
  });

  let candidates = $state.raw<readonly FillCandidate[]>([]);
  /** What people may look at from there, and in which direction that is. */
  let sights = $state.raw<readonly Sight[]>([]);
  const looks = $derived.by(() => {
    const seen = (value: string) =>
      sights.filter((sight) => String(sight.facing) === value).map((sight) => sight.name);
    const known = directions.map(([value, label]) => [value, [label, ...seen(value)].join(", ")] as const);
    const point: (readonly [string, string])[] = [
      ...(lookAt ? [["pressed", "the point pressed"] as const] : []),
      ["point", lookAt ? "another point" : "a point on the plan"],
    ];
    const others = [...new Set([...sights.map((sight) => String(sight.facing)), facing])]
      .filter((value) => !known.some(([one]) => one === value))
      .map((value) => [value, [...seen(value), `${value}°`].join(", ")] as const);
    return [...known, ...others, ...point];
  });
  function lookTo(next: string) {
    if (next === "pressed") return;
    if (next !== "point") [facing, lookAt] = [next, null];
    else
      tools.ask("Press what those seated look at", 1, ([at]) => {
        if (at) lookAt = { x: at.x, y: at.y } as Spot;
      });
  }
  let problem = $state("");
  let judged = $state(false);
  /** What the candidates answer: those of an earlier question are not taken any more. */
  let answered = $state.raw<Question | null>(null);
  const question = $derived.by((): Question | null => edit && { edit, lookAt });
  const stale = $derived(answered !== question);
  const asked = new Asked();
  let lastAsked = -Infinity;
  let list = $state<HTMLElement | null>(null);
  /** Those already shown stay where they are while a hand is among them, so that none comes under it that was not there; else the best come first. */
  const inOrder = (now: readonly FillCandidate[], shown: readonly FillCandidate[]) => {
    if (!list?.matches(":hover, :focus-within")) return now;
    const place = (one: FillCandidate) => {
      const at = shown.findIndex((other) => other.words === one.words);
      return at < 0 ? shown.length : at;
    };
    return [...now].sort((one, other) => place(one) - place(other));
  };
  async function look(wanted: Question, signal: AbortSignal) {
    const newest = asked.newest();
    // First the pictures and counts, then what the ways say.
    for (const judging of [false, true]) {
      const { data, error } = await api
        .POST("/api/plans/{planId}/fills", {
          params: { path: { planId: plan.id } },
          body: { ...wanted, judged: judging },
          signal,
        })
        .catch(() => ({ data: undefined, error: { message: "The server cannot be reached." } }));
      // What was given up says nothing: what is shown stays until the next answer.
      if (!newest() || signal.aborted) return;
      candidates = inOrder(data?.candidates ?? [], answered === wanted ? candidates : []);
      answered = wanted;
      sights = data?.sights ?? [];
      problem = data?.problem?.message ?? (error ? messageOf(error) : "");
      judged = judging;
      if (!candidates.length) return;
    }
  }
  $effect(() => {
    void plan.view?.revision;
    const wanted = question;
    if (!wanted) return;
    const stop = new AbortController();
    // A first question goes at once; of some in a row only the last is asked.
    const soon = setTimeout(
      () => {
        lastAsked = performance.now();
        void look(wanted, stop.signal);
      },
      performance.now() - lastAsked < 300 ? 120 : 0,
    );
    return () => (clearTimeout(soon), stop.abort());
  });
  $effect(() => () => (ghost.shown = null));

  const show = (one: FillCandidate | null) =>
    (ghost.shown = one ? { levelId: plan.levelId, tables: one.tablesDrawn, chairs: one.chairsDrawn } : null);

  async function take(one: FillCandidate) {
    if (stale) return;
    if (!(await plan.do(one.edit))) return;
    ghost.shown = null;
    plan.select([id]);
    onclose();
  }
  const figures = (one: FillCandidate) =>
    [
      isOfChairs(style) ? "" : `${one.tables} ${one.tables === 1 ? "table" : "tables"}`,
      one.areaPerSeat ? `${one.areaPerSeat.toFixed(2)} m² a seat` : "",
    ]
      .filter(Boolean)
      .join(", ");

  const people = (one: FillCandidate) => one.seats + one.standing;

  /** High tables have no seats to get to, and may still stand in the way of an exit. */
  const waysTold = ({ narrowest, unreached }: FillCandidate) =>
    [
      narrowest === null || narrowest === undefined
        ? ""
        : `Narrowest way ${writeWidth(narrowest, plan.units)}`,
      unreached ? `${unreached} ${unreached === 1 ? "way" : "ways"} too narrow` : "",
    ]
      .filter(Boolean)
      .join("; ");
</script>

<div class="flex items-center p-3.5 pb-2">
  <h2 class="flex-1 text-[15px] font-semibold">Seat people</h2>
  <button class="action" onclick={onclose}>Catalogue</button>
</div>
<div class="min-h-0 flex-1 space-y-2 overflow-y-auto px-3.5 pb-3.5">
  <NumberField
    live
    label="Guests"
    empty="as many as fit"
    value={guests}
    onvalue={(n) => (guests = n || null)}
  />
  <Choice
    label="Where"
    value={area}
    options={[
      ...rooms.map((r) => [`room ${r.id}`, r.name] as const),
      ...(plan.all("item").length ? rooms.map((r) => [`free ${r.id}`, `Free in ${r.name}`] as const) : []),
      ...zones.map((z) => [`zone ${z.id}`, (z.name as string) || "Zone"] as const),
    ]}
    onvalue={(next) => (where = next)}
  />
  <div class="grid grid-cols-4 gap-1" role="radiogroup" aria-label="How they sit">
    {#each styles as one (one.label)}
      <StyleCard
        style={String(one.template.style)}
        label={one.label}
        chosen={style === one.template.style}
        onchoose={() => (style = String(one.template.style))}
      />
    {/each}
  </div>
  <p class="text-[11.5px] leading-snug text-soft" aria-label="Where its usual gaps come from">
    {styles.find((one) => one.template.style === style)?.source}
  </p>
  <Choice label="Looks to" bind:value={() => (lookAt ? "pressed" : facing), lookTo} options={looks} />
  <Choice
    label="Kept free"
    bind:value={ways}
    options={[
      ["Drawn", "drawn ways"],
      ["FromDoors", "doors' ways as well"],
    ]}
  />
  {#if ["Rounds", "HalfRounds", "HighTables", "Cafe"].includes(style)}
    <label class="flex items-center gap-2 text-soft"
      ><input type="checkbox" bind:checked={dense} /> Dense ones as well</label
    >
  {/if}
  {#if problem}<p class="text-must" role="alert">{problem}</p>{/if}
  <ul
    bind:this={list}
    class="space-y-1.5 {stale ? 'opacity-50' : ''}"
    aria-label="Candidates"
    aria-busy={stale}
  >
    {#each candidates as one (one.words)}
      <li>
        <button
          class="flex w-full gap-2 rounded-md border border-edge bg-white p-1.5 text-left hover:border-moss focus-visible:border-moss"
          aria-disabled={stale}
          onpointerenter={() => show(one)}
          onpointerleave={() => show(null)}
          onfocus={() => show(one)}
          onblur={() => show(null)}
          onclick={() => take(one)}
        >
          <FillPicture candidate={one} {outlines} />
          <span class="min-w-0 flex-1 text-[12px] leading-snug">
            <span
              class="font-figure block text-[15px] font-semibold {guests && people(one) < guests
                ? 'text-must'
                : ''}">{people(one)} {one.standing ? "standing" : "seats"}</span
            >
            <span class="block">{one.words}</span>
            {#if one.more != null}<span class="block"
                >{one.more || "none"} more than in lines or staggered</span
              >{/if}
            <span class="block text-soft">{figures(one)}</span>
            {#if judged}
              <span class="block {one.unreached ? 'text-must' : 'text-soft'}">{waysTold(one)}</span>
            {/if}
            {#if one.short.length}<span class="block text-must">Short of {one.short.join(", ")}</span>{/if}
          </span>
        </button>
      </li>
    {:else}
      {#if !problem && answered && !stale}<li class="text-soft">Nothing of this has room here.</li>{/if}
    {/each}
  </ul>
</div>
