<script lang="ts">
  import type { CatalogueItem } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import Window from "../../parts/Window.svelte";
  import { formIsRead } from "../../plan/forms";
  import { readNumber } from "../../parts/readNumber";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { kindNames } from "./catalogue";

  /** Everything that is said of an own item: changed here it is changed wherever this plan uses it. */
  let { plan }: { plan: OpenPlan } = $props();

  const key = $derived(plan.placeable.edited);
  const item = $derived(key ? plan.placeable.own.get(key)?.item : undefined);
  let draft = $state<CatalogueItem | null>(null);
  let price = $state("");
  let said = $state("");
  let form = $state<HTMLFormElement>();
  $effect(() => {
    if (key && item && draft?.key !== key) begin(item);
    if (!key) draft = null;
  });

  function begin(now: CatalogueItem) {
    draft = structuredClone($state.snapshot(now)) as CatalogueItem;
    price = now.price == null ? "" : `${now.price}`;
    said = "";
  }

  const isOutline = $derived(draft?.maker === "outline");
  const size = $derived(draft?.size as { width: number; depth: number; height: number } | undefined);
  const uses = $derived(
    draft?.uses as { front: number; back: number; left: number; right: number } | null | undefined,
  );
  const keptIn = $derived(key ? plan.placeable.keptIn(key) : null);
  const places = [
    ["Floor", "on the floor"],
    ["OnTop", "on a table or a top"],
    ["OnWall", "on a wall"],
  ] as const;
  const fronts = [
    ["0", "the foot of the drawing"],
    ["1", "its right side"],
    ["2", "its head"],
    ["3", "its left side"],
  ] as const;
  const sides = [
    ["front", "In front"],
    ["back", "Behind"],
    ["left", "At the left"],
    ["right", "At the right"],
  ] as const;

  const change = (more: Partial<CatalogueItem>) => (draft = { ...draft!, ...more });
  const resize = (more: object) => change({ size: { ...size!, ...more } as never });

  /** Another side to the front: what was wide is deep. */
  function setFront(front: string) {
    const { shape } = draft!;
    const turns = (Number(front) - (shape?.front ?? 0)) % 2 !== 0;
    change({
      shape: { ...shape!, front: Number(front) },
      ...(turns ? { size: { ...size!, width: size!.depth, depth: size!.width } as never } : {}),
    });
  }

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!draft || !(await formIsRead(plan, form))) return;
    const cost = readNumber(price, { whole: false, least: 0, mayBeEmpty: true });
    if (cost.problem) return void (said = `Price: ${cost.problem}`);
    const changed = {
      ...$state.snapshot(draft),
      name: draft.name.trim(),
      price: cost.value ?? undefined,
    } as CatalogueItem;
    const done = await plan.do({
      do: "put-own-item",
      item: { id: changed.key, libraryRevision: 0, item: changed },
    });
    said = done ? "Changed wherever this plan uses it." : "";
  }

  /** An own item that nothing on the plan is made from goes; the project's and one's own stay. */
  async function removeFromPlan() {
    if (await plan.do({ do: "remove", ids: [key!] })) plan.placeable.edited = null;
    else said = plan.refusal?.problem.message ?? "";
  }

  async function tell(work: Promise<string>, done: string) {
    said = (await work) || done;
  }
</script>

<Window
  title="Own item"
  wide
  bind:open={() => key !== null && item !== undefined, (open) => !open && (plan.placeable.edited = null)}
>
  {#if draft && size}
    <form class="mt-3 grid grid-cols-2 gap-x-6 gap-y-1.5" bind:this={form} onsubmit={save}>
      <div class="space-y-1.5">
        <label class="flex items-center gap-2">
          <span class="w-[88px] shrink-0 text-soft">Name</span>
          <input
            class="field min-w-0 flex-1"
            maxlength="60"
            required
            value={draft.name}
            oninput={(e) => change({ name: e.currentTarget.value })}
          />
        </label>
        <Choice
          label="Kind"
          value={draft.kind as string}
          options={Object.entries(kindNames)}
          onvalue={(kind) => change({ kind: kind as never })}
        />
        <LengthField
          label="Width"
          value={size.width}
          units={plan.units}
          onvalue={(width) => resize({ width })}
        />
        <LengthField
          label="Depth"
          value={size.depth}
          units={plan.units}
          onvalue={(depth) => resize({ depth })}
        />
        <LengthField
          label="Height"
          value={size.height}
          units={plan.units}
          onvalue={(height) => resize({ height })}
        />
        <Choice
          label="It belongs"
          value={(draft.usualPlace ?? "Floor") as string}
          options={places}
          onvalue={(place) =>
            change({
              usualPlace: place as never,
              elevation: place === "OnWall" ? draft!.elevation || 1400 : 0,
            })}
        />
        {#if draft.usualPlace === "OnWall"}
          <LengthField
            label="Hung at"
            value={draft.elevation ?? 0}
            units={plan.units}
            onvalue={(elevation) => change({ elevation })}
          />
        {/if}
        {#if isOutline}
          <Choice
            label="Its front is"
            value={`${draft.shape?.front ?? 0}`}
            options={fronts}
            onvalue={setFront}
          />
          {#if !draft.shape?.seats?.length}
            <NumberField
              label="Places on it"
              value={(draft.seats as { front?: number }).front ?? 0}
              whole
              least={0}
              onvalue={(front) => change({ seats: { front: front ?? 0 } as never })}
            />
          {/if}
        {/if}
        <label class="flex items-center gap-2">
          <span class="w-[88px] shrink-0 text-soft">Other words</span>
          <input
            class="field min-w-0 flex-1"
            maxlength="300"
            placeholder="it is looked for by"
            value={draft.words ?? ""}
            oninput={(e) => change({ words: e.currentTarget.value })}
          />
        </label>
      </div>
      <div class="space-y-1.5">
        <label class="flex items-center gap-2">
          <span class="w-[88px] shrink-0 text-soft">Code</span>
          <input
            class="field min-w-0 flex-1"
            maxlength="40"
            placeholder="of its supplier"
            value={draft.supplierCode ?? ""}
            oninput={(e) => change({ supplierCode: e.currentTarget.value })}
          />
        </label>
        <label class="flex items-center gap-2">
          <span class="w-[88px] shrink-0 text-soft">Price</span>
          <input class="field font-figure min-w-0 flex-1" inputmode="decimal" bind:value={price} />
        </label>
        <label class="flex items-center gap-2"
          ><input
            type="checkbox"
            checked={draft.isFixed ?? false}
            onchange={(e) => change({ isFixed: e.currentTarget.checked })}
          /> Fixed to the building</label
        >
        <label class="flex items-center gap-2"
          ><input
            type="checkbox"
            checked={!!uses}
            onchange={(e) =>
              change({
                uses: e.currentTarget.checked ? { front: 0, back: 0, left: 0, right: 0 } : undefined,
              })}
          /> Say the floor it needs in use</label
        >
        {#if uses}
          {#each sides as [side, label] (side)}
            <LengthField
              {label}
              value={uses[side]}
              units={plan.units}
              onvalue={(depth) => change({ uses: { ...uses, [side]: depth } })}
            />
          {/each}
        {/if}
      </div>
      <div class="col-span-2 mt-2 flex flex-wrap items-center gap-1.5 border-t border-edge pt-3">
        <button class="action-main" type="submit" disabled={!plan.canEdit}>Change it</button>
        {#if keptIn?.plan && plan.canEdit}
          <button
            class="action"
            type="button"
            onclick={() =>
              tell(plan.placeable.keep(key!, "project"), "Kept: every plan of the project may place it.")}
            >{keptIn.project ? "Keep so with the project" : "Keep with the project"}</button
          >
          <button
            class="action"
            type="button"
            onclick={() => tell(plan.placeable.keep(key!, "mine"), "Kept for all of your projects.")}
            >{keptIn.mine ? "Keep so for all my projects" : "Keep for all my projects"}</button
          >
          <button class="action" type="button" onclick={() => tell(plan.placeable.renew(key!), "")}
            >Bring into every plan that uses it</button
          >
        {/if}
        {#if keptIn?.project && plan.canEdit}
          <button
            class="action text-must"
            type="button"
            onclick={() => tell(plan.placeable.takeOut(key!, "project"), "Out of the project's own items.")}
            >Take out of the project's</button
          >
        {/if}
        {#if keptIn?.mine}
          <button
            class="action text-must"
            type="button"
            onclick={() => tell(plan.placeable.takeOut(key!, "mine"), "Out of your own items.")}
            >Take out of mine</button
          >
        {/if}
        {#if keptIn?.plan && plan.canEdit}
          <button class="action text-must" type="button" onclick={removeFromPlan}
            >Take out of this plan</button
          >
        {/if}
        {#if said}<p class="w-full text-[12px] text-soft" role="status">{said}</p>{/if}
      </div>
    </form>
  {/if}
</Window>
