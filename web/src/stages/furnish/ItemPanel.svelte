<script lang="ts">
  import type { Item } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import WallDistances from "../../parts/WallDistances.svelte";
  import { readFigure } from "../../parts/readFigure";
  import { duplicate } from "../../plan/keys";
  import { writeLength, writeWidth } from "../../plan/figures";
  import { orBack } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan, item }: { plan: OpenPlan; item: Item } = $props();

  const facts = $derived(plan.itemViews.get(item.id));
  const own = $derived(plan.entities.get(item.catalogue));
  const entry = $derived(plan.catalogue?.items.find((e) => e.item.key === item.catalogue));
  const kind = $derived(own?.type === "own-item" ? own.item : entry?.item);
  const form = $derived(facts ? plan.forms.get(facts.form) : undefined);
  const round = $derived(entry?.round ?? false);
  const usual = $derived(kind?.size as { width: number; depth: number; height: number } | undefined);
  const seats = $derived({
    around: 0,
    front: 0,
    back: 0,
    left: 0,
    right: 0,
    ...(item.seats ?? kind?.seats ?? {}),
  });
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
  const setParameter = (key: string, value: number | number[]) =>
    plan.do(() => ({
      do: "set-parameters",
      id,
      parameters: { ...((now().parameters as object | undefined) ?? {}), [key]: value } as never,
    }));
  let listProblem = $state("");
  async function setList(key: string, text: string) {
    const parts = text.split(/[,;]/).filter((part) => part.trim());
    const read = await Promise.all(parts.map((part) => readFigure(part, plan.units, false)));
    const wrong = read.find((r) => r.value == null);
    listProblem = wrong ? (wrong.problem ?? "This is no length.") : "";
    if (!wrong)
      await setParameter(
        key,
        read.map((r) => r.value!),
      );
  }
  const seat = (side: keyof typeof seats, by: number) =>
    plan.do(() => ({ do: "set-seats", id, seats: { ...seats, [side]: seats[side] + by } }));

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
    {#if item.setAside}<span class="text-soft">set aside</span>{/if}
  </div>
  <p class="text-soft">
    {form?.seats ? (form.seats === 1 ? "1 seat" : `${form.seats} seats`) : kind?.kind}{item.locked
      ? " · locked"
      : ""}
  </p>

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
      label="Raised by"
      value={item.elevation ?? 0}
      units={plan.units}
      disabled={fixed}
      onvalue={(elevation) => plan.do({ do: "raise-item", id: item.id, elevation })}
      hint={item.standsOn ? `On ${plan.itemViews.get(item.standsOn)?.name ?? "a wall"}` : ""}
    />
    {#each facts?.parameters ?? [] as parameter (parameter.key)}
      {#if parameter.isList}
        <div class="flex items-center gap-2">
          <label class="w-[88px] shrink-0 text-soft" for="parameter-{parameter.key}">{parameter.label}</label>
          <input
            id="parameter-{parameter.key}"
            class="field font-figure min-w-0 flex-1 font-semibold"
            placeholder="400, 400"
            disabled={still}
            value={parameter.value.map((v) => writeLength(v, plan.units)).join(", ")}
            onchange={(e) => setList(parameter.key, e.currentTarget.value)}
          />
        </div>
        {#if listProblem}<p class="text-[12px] text-must" role="alert">{listProblem}</p>{/if}
      {:else}
        <LengthField
          label={parameter.label}
          value={parameter.value[0] ?? 0}
          units={plan.units}
          disabled={still}
          onvalue={(value) => setParameter(parameter.key, value)}
        />
      {/if}
    {/each}
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
    <p class="text-[11px] text-soft">At most {kind.mostSeats} for its size.</p>
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
      <button class="action" onclick={() => plan.do({ do: "lock", ids: [item.id], locked: !item.locked })}
        >{item.locked ? "Unlock" : "Lock"}</button
      >
      <button
        class="action"
        onclick={() => plan.do({ do: "set-items-aside", ids: [item.id], setAside: !item.setAside })}
        >{item.setAside ? "Bring back" : "Set aside"}</button
      >
      <button class="action text-must" onclick={() => plan.do({ do: "remove", ids: [item.id] })}
        >Remove</button
      >
    </div>
  {/if}

  {#if plan.near.length}
    <h3 class="heading mt-4 mb-2">Nearest</h3>
    <ul>
      {#each plan.near as near (near.otherId + near.width)}
        <li class="flex justify-between py-0.5">
          <span>{near.otherName}</span><span class="font-figure font-semibold"
            >{writeWidth(near.width, plan.units)}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>
