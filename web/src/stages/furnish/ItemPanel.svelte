<script lang="ts">
  import type { Item } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import type { Point } from "../../canvas/viewport";
  import LengthField from "../../parts/LengthField.svelte";
  import WallDistances from "../../parts/WallDistances.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import { duplicate } from "../../plan/keys";
  import { writeLength, writeWidth } from "../../plan/figures";
  import { orBack } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import KeepAsOwn from "./KeepAsOwn.svelte";
  import FinishFields from "./FinishFields.svelte";
  import KitchenUnits from "./KitchenUnits.svelte";
  import OffsetFields from "./OffsetFields.svelte";
  import ParameterFields from "./ParameterFields.svelte";
  import RepeatStart from "./RepeatStart.svelte";
  import SelectMore from "./SelectMore.svelte";

  let { plan, item }: { plan: OpenPlan; item: Item } = $props();

  const facts = $derived(plan.itemViews.get(item.id));
  const own = $derived(plan.entities.get(item.catalogue));
  const entry = $derived(plan.catalogue?.items.find((e) => e.item.key === item.catalogue));
  const kind = $derived(own?.type === "own-item" ? own.item : entry?.item);
  const form = $derived(facts ? plan.forms.get(facts.form) : undefined);
  const round = $derived(plan.placeable.entry(item.catalogue)?.round ?? false);
  const stock = $derived(plan.figures?.tally.stock?.find((use) => use.catalogue === item.catalogue));
  const dines = $derived(
    ["round-table", "oval-table", "straight-table"].includes(kind?.maker ?? "") && !!kind?.chair,
  );
  const usual = $derived(kind?.size as { width: number; depth: number; height: number } | undefined);
  const seats = $derived({
    around: 0,
    front: 0,
    back: 0,
    left: 0,
    right: 0,
    ...(item.seats ?? kind?.seats ?? {}),
  });
  const inRepeat = $derived(
    plan.groups.of(item.parent)?.type === "repeat" ? plan.groups.of(item.parent) : undefined,
  );
  const still = $derived(!plan.canEdit);
  const fixed = $derived(still || item.locked);

  // The panel is made anew for each item: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = item.id;
  /** The item as it is when an edit's turn comes: figures typed one after another do not write over each other. */
  const now = () => plan.item(id) ?? item;
  const resize = (change: { width?: number; depth?: number; height?: number }) =>
    plan.do(() => {
      const { width, depth, height } = now();
      return { do: "resize-item", id, width, depth, height, ...change, sure: false };
    });
  const put = (change: { x?: number; y?: number; rotation?: number }) =>
    plan.do(() => {
      const { x, y, rotation } = now();
      return { do: "put-item-at", id, x, y, rotation, ...change };
    });
  const seat = (side: keyof typeof seats, by: number) =>
    plan.do(() => ({ do: "set-seats", id, seats: { ...seats, [side]: seats[side] + by } }));

  /** Two points on the item whose true distance is to be typed. */
  let known = $state.raw<[Point, Point] | null>(null);
  const askDistance = () =>
    tools.ask("Press two points on it", 2, ([from, to]) => (known = [from!, to!]), false);
  async function setToSize(distance: number) {
    if (!known) return;
    const [from, to] = known;
    if (await plan.do({ do: "set-to-size", id, from, to, distance })) known = null;
  }
  const layOnto = () =>
    tools.ask(
      "Press two points on it, then where they belong",
      4,
      ([from, to, fromOnPlan, toOnPlan]) =>
        void plan.do({
          do: "lay-onto",
          id,
          from: from!,
          to: to!,
          fromOnPlan: fromOnPlan!,
          toOnPlan: toOnPlan!,
        }),
    );

  const sides = $derived<[keyof typeof seats, string][]>(
    kind?.seats.around
      ? [["around", "Around"]]
      : [
          ["front", "Front"],
          ["back", "Back"],
          ["left", "Left end"],
          ["right", "Right end"],
        ],
  );
</script>

<section class="p-3.5" aria-label="Selected item">
  <div class="flex items-baseline justify-between gap-2">
    <h2 class="text-[15px] font-semibold">{kind?.name}</h2>
    {#if item.setAside}<span class="text-soft">not placed</span>{/if}
  </div>
  <p class="text-soft">
    {form?.seats ? (form.seats === 1 ? "1 seat" : `${form.seats} seats`) : kind?.kind}{item.locked
      ? " · locked"
      : ""}
  </p>

  {#if plan.unfit && !item.setAside}
    <div class="mt-2 rounded-md border border-must bg-must-wash p-2" role="alert">
      <p>{plan.unfit}</p>
      {#if plan.fitMove && !fixed}
        <button
          class="action mt-1.5"
          onclick={() => {
            const by = plan.fitMove;
            if (by) void plan.do({ do: "move-items", ids: [id], dx: by.x, dy: by.y, catch: 0 });
          }}>Put it there</button
        >
      {/if}
    </div>
  {/if}

  <h3 class="heading mt-4 mb-2">Size and place</h3>
  <div class="space-y-1.5">
    <LengthField
      label={round ? "Diameter" : "Width"}
      value={facts?.width ?? 0}
      units={plan.units}
      disabled={still}
      onvalue={(width) => resize({ width })}
      hint={usual && facts?.width !== usual.width ? `Usual: ${writeLength(usual.width, plan.units)}` : ""}
    />
    {#if !round}
      <LengthField
        label="Depth"
        value={facts?.depth ?? 0}
        units={plan.units}
        disabled={still}
        onvalue={(depth) => resize({ depth })}
        hint={usual && facts?.depth !== usual.depth ? `Usual: ${writeLength(usual.depth, plan.units)}` : ""}
      />
    {/if}
    <LengthField
      label="Height"
      value={facts?.height ?? 0}
      units={plan.units}
      disabled={still}
      onvalue={(height) => resize({ height })}
    />
    <LengthField
      label="Height above floor"
      value={item.elevation ?? 0}
      units={plan.units}
      disabled={fixed}
      onvalue={(elevation) => plan.do({ do: "raise-item", id: item.id, elevation })}
      hint={item.standsOn ? `On ${plan.itemViews.get(item.standsOn)?.name ?? "a wall"}` : ""}
    />
    <ParameterFields {plan} {id} parameters={facts?.parameters ?? []} disabled={still} />
    <WallDistances {plan} id={item.id} disabled={fixed} />
    <LengthField
      label="Rotation"
      value={item.rotation}
      units={plan.units}
      angle
      disabled={fixed}
      onvalue={(rotation) => put({ rotation })}
    />
    <details>
      <summary class="cursor-pointer text-soft">More: its place on the plan</summary>
      <div class="mt-1.5 space-y-1.5">
        <LengthField
          label="Middle x"
          value={item.x}
          units={plan.units}
          disabled={fixed}
          onvalue={(x) => put({ x })}
        />
        <LengthField
          label="Middle y"
          value={item.y}
          units={plan.units}
          disabled={fixed}
          onvalue={(y) => put({ y })}
        />
      </div>
    </details>
  </div>
  <p class="mt-1 text-[11px] text-soft">
    Usual size: {kind?.source.title}. From memory ({kind?.source.confidence}).
  </p>

  {#if kind?.maker === "kitchen-line" || kind?.maker === "kitchen-island"}
    <KitchenUnits {plan} {item} parameters={facts?.parameters ?? []} disabled={fixed} />
  {/if}

  {#if plan.canEdit && !fixed}
    <div class="mt-2 flex flex-wrap gap-1.5">
      <button class="action" title="Two points on it, then two of the plan" onclick={layOnto}
        >Align by two points</button
      >
      <button
        class="action"
        onclick={() =>
          tools.ask(
            "Press where it is to look",
            1,
            ([at]) => void plan.do({ do: "face-items", ids: [id], at: at! }),
          )}>Look to a point</button
      >
      {#if kind?.maker === "outline"}
        <button class="action" title="Two points on it whose distance is known" onclick={askDistance}
          >Set to size by two points</button
        >
      {/if}
    </div>
    {#if known}
      <div class="mt-1.5">
        <LengthField
          label="They are apart"
          value={Math.round(Math.hypot(known[1].x - known[0].x, known[1].y - known[0].y))}
          units={plan.units}
          onvalue={setToSize}
        />
      </div>
    {/if}
  {/if}

  {#if kind?.chair}
    <h3 class="heading mt-4 mb-2">Seats</h3>
    {#each sides as [side, name] (side)}
      <div class="mb-1.5 flex items-center gap-2">
        <span class="w-[88px] text-soft">{name}</span>
        <span class="field flex-1 justify-between px-1">
          <button
            class="h-6 w-7 disabled:text-faint"
            aria-label="One seat less, {name}"
            disabled={still || seats[side] === 0}
            onclick={() => seat(side, -1)}>−</button
          >
          <span class="font-figure font-semibold">{seats[side]}</span>
          <button
            class="h-6 w-7 disabled:text-faint"
            aria-label="One seat more, {name}"
            disabled={still}
            onclick={() => seat(side, 1)}>+</button
          >
        </span>
      </div>
    {/each}
    {#if dines}
      <NumberField
        label="For diners"
        value={form?.seats ?? 0}
        whole
        least={1}
        disabled={fixed}
        onvalue={(diners) => diners !== null && plan.do({ do: "seat-diners", id, diners })}
      />
    {/if}
    <p class="text-[11px] text-soft">
      At most {facts?.mostSeats ?? kind.mostSeats} for its size.{dines
        ? " Typed diners give the table its usual size for them."
        : ""}
    </p>
  {/if}

  <div class="mt-3 flex items-center gap-2">
    <label class="w-[88px] text-soft" for="item-label">{kind?.counted === "table" ? "Number" : "Label"}</label
    >
    <span class="field flex-1">
      <input
        id="item-label"
        class="font-figure w-full font-semibold outline-none"
        maxlength="12"
        disabled={still}
        value={item.label}
        onchange={(e) =>
          orBack(
            e.currentTarget,
            item.label,
            plan.do({ do: "label-item", id: item.id, label: e.currentTarget.value }),
          )}
      />
    </span>
  </div>

  {#if plan.canEdit}
    <h3 class="heading mt-4 mb-2">Arrange</h3>
    <div class="flex flex-wrap gap-1.5">
      <button class="action" onclick={() => duplicate(plan, [item.id])}>Duplicate</button>
      <button
        class="action"
        title="Its left becomes its right"
        onclick={() => plan.do({ do: "mirror-items", ids: [id], mirror: "LeftRight" })}>Mirror</button
      >
      <button class="action" onclick={() => plan.do({ do: "lock", ids: [item.id], locked: !item.locked })}
        >{item.locked ? "Unlock" : "Lock"}</button
      >
      <button
        class="action"
        onclick={() => plan.do({ do: "set-items-aside", ids: [item.id], setAside: !item.setAside })}
        >{item.setAside ? "Place again" : "Take off the plan"}</button
      >
      <button class="action text-must" onclick={() => plan.do({ do: "remove", ids: [item.id] })}
        >Remove</button
      >
    </div>
  {/if}

  {#if plan.canEdit && !fixed}<OffsetFields {plan} ids={[id]} /><RepeatStart {plan} ids={[id]} />{/if}
  {#if inRepeat && plan.canEdit}
    <p class="mt-3 text-soft">A member of a repeat. Changed by hand it is one of its own.</p>
    <button
      class="action mt-1"
      onclick={() => plan.do({ do: "make-alike", id: inRepeat.id, slot: item.slot ?? 0 })}
      >Make all members like this one</button
    >
  {/if}
  <SelectMore {plan} {id} />

  {#if kind}
    <h3 class="heading mt-4 mb-2">Kind</h3>
    <NumberField
      label="In stock"
      value={stock?.has ?? null}
      whole
      least={0}
      empty="not counted"
      disabled={still}
      onvalue={(count) => plan.do({ do: "set-stock", catalogue: item.catalogue, count: count ?? undefined })}
    />
    {#if stock}
      <p class="text-[12px] {stock.short ? 'font-semibold text-must' : 'text-soft'}">
        {stock.used} of {stock.has} used{stock.short ? `: ${stock.short} short` : ""}
      </p>
    {/if}
    {#if plan.canEdit}
      <div class="mt-2 flex flex-wrap gap-1.5">
        <button
          class="action"
          onclick={() => {
            plan.placeable.exchanged = item.catalogue;
            plan.placeable.becoming = null;
          }}>Change all for another …</button
        >
      </div>
      <details class="mt-2">
        <summary class="cursor-pointer text-soft">Tint</summary>
        <p class="my-1 text-soft">This one</p>
        <FinishFields {plan} of="Item" targetId={item.id} label="this item" />
        <p class="my-1 text-soft">All {kind.name}</p>
        <FinishFields {plan} of="Kind" targetId={item.catalogue} label="all of this kind" />
      </details>
      <KeepAsOwn {plan} {item} {kind} own={own?.type === "own-item"} />
    {/if}
  {/if}

  {#if plan.near.length}
    <h3 class="heading mt-4 mb-2">Nearest</h3>
    <ul>
      {#each plan.near as near, i (i)}
        <li class="flex justify-between py-0.5">
          <span>{near.otherName}</span><span class="font-figure font-semibold"
            >{writeWidth(near.width, plan.units)}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>
