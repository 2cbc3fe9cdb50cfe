<script lang="ts">
  import { onMount, untrack } from "svelte";
  import { api, type ModelView } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import type { Space } from "./space";

  /** The scheme in space, beside the plan or alone. What draws it is loaded when it is first asked for. */
  let {
    plan,
    alone,
    onalone,
    onclose,
  }: {
    plan: OpenPlan;
    alone: boolean;
    onalone: (alone: boolean) => void;
    onclose: () => void;
  } = $props();

  let canvas: HTMLCanvasElement;
  let space = $state.raw<Space | null>(null);
  let model = $state.raw<ModelView | null>(null);
  let problem = $state("");
  let stacked = $state(false);
  let eye = $state(0);
  const levelId = $derived(plan.levelId);
  const eyes = [
    [0, "From above"],
    [1600, "Standing"],
    [1200, "Seated"],
    [1150, "Wheelchair"],
  ] as const;
  const file = $derived(`/api/plans/${plan.id}/model.glb?schemeId=${plan.schemeId}`);

  onMount(() => {
    let closed = false;
    const size = new ResizeObserver(() => space?.resize(canvas.clientWidth, canvas.clientHeight));
    void import("./space").then(({ Space }) => {
      if (closed) return;
      try {
        space = new Space(canvas, (id) => plan.select(id ? [id] : []));
        space.resize(canvas.clientWidth, canvas.clientHeight);
        size.observe(canvas);
      } catch {
        problem =
          "This browser draws nothing in space (no WebGL). The model can be taken as a GLB file and looked at elsewhere.";
      }
    });
    return () => {
      closed = true;
      size.disconnect();
      space?.dispose();
    };
  });

  // Anew after each change; a late answer never shows over a newer one.
  let asked = 0;
  $effect(() => {
    void plan.view?.revision;
    const { id, schemeId } = plan;
    const mine = ++asked;
    void api
      .GET("/api/plans/{planId}/model", { params: { path: { planId: id }, query: { schemeId } } })
      .then(({ data }) => {
        if (mine === asked && data) model = data;
      })
      .catch(() => undefined);
  });
  $effect(() => {
    if (space && model)
      space.show(
        model,
        stacked ? null : levelId,
        untrack(() => plan.selected),
      );
  });
  $effect(() => {
    const selected = new Set(plan.selected);
    space?.mark(selected);
  });
  $effect(() => {
    if (space && model)
      space.lookAt(
        eye,
        untrack(() => spot()),
      );
  });

  /** Where a walk begins: at what is selected, else in the middle. */
  const spot = () => plan.selectedItems[0] ?? null;

  const here = $derived(model?.levels.find((level) => level.levelId === levelId));
  const seen = $derived(
    [...new Set((here?.nodes ?? []).map((node) => node.name))].filter((name) => !name.includes(" at ")),
  );

  async function take() {
    const blob = await space?.picture();
    if (!blob) return;
    const link = document.createElement("a");
    link.href = URL.createObjectURL(blob);
    link.download = `in-space.png`;
    link.click();
    URL.revokeObjectURL(link.href);
  }
</script>

<section class="relative h-full w-full bg-ground" aria-label="In space">
  <canvas
    bind:this={canvas}
    class="h-full w-full touch-none outline-offset-[-2px]"
    tabindex="0"
    aria-label={`In space: ${seen.length ? seen.join(", ") : "the empty shell"}`}
    data-ready={space !== null && model !== null}
    onkeydown={(e) => space?.key(e)}
  ></canvas>
  {#if problem}
    <p class="absolute inset-x-6 top-16 rounded-lg border border-edge bg-white p-3" role="alert">{problem}</p>
  {/if}
  <div
    class="absolute top-3 left-3 flex flex-wrap gap-0.5 rounded-lg border border-edge bg-white p-1 shadow-sm"
    role="toolbar"
    aria-label="In space"
  >
    {#each eyes as [height, label] (label)}
      <button
        class="h-7 rounded-md px-2 font-medium text-soft hover:text-ink aria-pressed:bg-moss-wash aria-pressed:text-ink"
        aria-pressed={eye === height}
        onclick={() => (eye = height)}>{label}</button
      >
    {/each}
  </div>
  <div class="absolute right-3 bottom-3 flex gap-1.5">
    {#if plan.levels.length > 1}
      <button class="action" aria-pressed={stacked} onclick={() => (stacked = !stacked)}
        >{stacked ? "This level" : "All levels"}</button
      >
    {/if}
    <button class="action" onclick={take}>Picture</button>
    <a class="action" href={file} download>GLB</a>
    <button class="action" onclick={() => onalone(!alone)}>{alone ? "Beside the plan" : "Alone"}</button>
    <button class="action" onclick={onclose}>Close</button>
  </div>
</section>
