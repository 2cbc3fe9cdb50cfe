<script lang="ts">
  import LengthField from "../../parts/LengthField.svelte";
  import { tools } from "../../canvas/tools.svelte";
  import type { Point } from "../../canvas/viewport";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import CutoutWindow from "./CutoutWindow.svelte";
  import ModelForm from "./ModelForm.svelte";
  import OutlineForm from "./OutlineForm.svelte";
  import OwnItemFile from "./OwnItemFile.svelte";

  /** The ways to an own item: drawn, of what is chosen, from the picture of a product or an SVG, from a file. */
  let { plan, onkept }: { plan: OpenPlan; onkept: () => void } = $props();

  let form = $state<HTMLFormElement>();
  let name = $state("");
  let height = $state(750);
  let drawn = $state.raw<Point[] | null>(null);
  let together = $state(false);
  let inTheirPlace = $state(true);
  let cutting = $state(false);

  const chosen = $derived(
    [...plan.selected].filter(
      (id) => plan.item(id) !== undefined || plan.things.some((thing) => thing.id === id),
    ),
  );
  /** Items and what is marked on the floor give way to the own item made of them; what is fixed stays. */
  const onlyItems = $derived(
    chosen.every((id) => plan.item(id) !== undefined || plan.entities.get(id)?.type === "mark"),
  );

  function draw() {
    together = false;
    tools.askRing("Press the corners of its outline; the first again closes it", 80, (points) => {
      drawn = points;
    });
  }

  async function keep(e: SubmitEvent) {
    e.preventDefault();
    if (!(await formIsRead(plan, form))) return;
    const [ownId, itemId] = [plan.newId("own"), plan.newId("item")];
    const common = { ownId, itemId, schemeId: plan.schemeId, name: name.trim() };
    const placed = drawn !== null || (inTheirPlace && onlyItems);
    const done = await plan.do(
      drawn
        ? {
            do: "keep-outline",
            ...common,
            levelId: plan.levelId,
            kind: "Equipment",
            corners: drawn,
            height,
          }
        : { do: "keep-selection", ...common, ids: chosen, inTheirPlace: placed },
    );
    if (!done) return;
    [name, drawn, together] = ["", null, false];
    onkept();
    if (placed) plan.select([itemId]);
  }
</script>

<details class="border-t border-edge px-3.5 py-2" open>
  <summary class="cursor-pointer font-medium">Make an own item</summary>
  <div class="mt-1.5 max-h-[46vh] space-y-1.5 overflow-y-auto">
    {#if drawn || together}
      <form class="space-y-1.5" bind:this={form} onsubmit={keep}>
        <p class="text-soft">
          {drawn ? `An outline of ${drawn.length} corners` : `Of ${chosen.length} that are chosen`}
        </p>
        <input
          class="field w-full"
          aria-label="Name of the own item"
          placeholder="Name"
          maxlength="60"
          required
          bind:value={name}
        />
        {#if drawn}
          <LengthField label="Height" value={height} units={plan.units} onvalue={(v) => (height = v)} />
        {:else if onlyItems}
          <label class="flex items-center gap-2"
            ><input type="checkbox" bind:checked={inTheirPlace} /> Put it in their place</label
          >
        {/if}
        <button class="action" disabled={!plan.canEdit || (!drawn && !chosen.length)}>Keep it</button>
        <button class="action" type="button" onclick={() => ([drawn, together] = [null, false])}
          >Not now</button
        >
      </form>
    {:else}
      <button class="action w-full" disabled={!plan.canEdit} onclick={draw}>Draw its outline</button>
      <button
        class="action w-full"
        disabled={!plan.canEdit || !chosen.length}
        title={chosen.length ? "" : "Choose items, a zone or a fixed thing first"}
        onclick={() => (together = true)}
        >Of what is chosen{chosen.length ? ` (${chosen.length})` : ""}</button
      >
      <button class="action w-full" disabled={!plan.canEdit} onclick={() => (cutting = true)}
        >From the picture of a product</button
      >
    {/if}
    <OutlineForm {plan} {onkept} />
    <ModelForm {plan} {onkept} />
  </div>
</details>
<details class="border-t border-edge px-3.5 py-2">
  <summary class="cursor-pointer font-medium">Own items as a file</summary>
  <div class="mt-1.5"><OwnItemFile {plan} /></div>
</details>
<CutoutWindow {plan} bind:open={cutting} />
