<script lang="ts">
  import type { Edit, Near } from "../app/api";
  import { writeWidth } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { toPlan } from "./focus";
  import { readFigure } from "./readFigure";

  let { plan, near, x, y, still }: { plan: OpenPlan; near: Near; x: number; y: number; still: boolean } =
    $props();

  let typing = $state(false);
  let text = $state("");
  let problem = $state("");
  /** Enter pressed twice sends once. */
  let reading = false;

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    if (reading) return;
    reading = true;
    const read = await readFigure(text, plan.units);
    reading = false;
    if (read.value == null) {
      problem = read.problem ?? "";
      return;
    }
    typing = false;
    toPlan();
    const thing = plan.things.find((f) => plan.selected.has(f.id));
    // A gap of a block is one of its figures: typed where it is seen.
    if (thing && near.field)
      return void (await plan.do({
        do: "put-thing",
        thing: { ...thing, [near.field]: read.value },
      } as unknown as Edit));
    const wallId = plan.wallOf(near.otherId);
    if (thing && wallId)
      return void (await plan.do({
        do: "put-by-offsets",
        id: thing.id,
        offsets: [{ wallId, distance: read.value, toMiddle: false }],
      }));
    await plan.do({
      do: "space-from",
      ids: plan.selectedItems.map((i) => i.id),
      otherId: near.otherId,
      distance: read.value,
    });
  }

  function start() {
    text = writeWidth(near.width, plan.units);
    problem = "";
    typing = true;
  }
</script>

<div
  class="absolute -translate-x-1/2 -translate-y-1/2"
  style:left="{x}px"
  style:top="{y}px"
  role="presentation"
  onpointerdown={(e) => still && e.stopPropagation()}
>
  {#if typing}
    <form onsubmit={submit} class="relative">
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="w-20 rounded-full border-2 border-pencil bg-white px-2 text-center font-semibold outline-none"
        aria-label="Distance to {near.otherName}"
        bind:value={text}
        autofocus
        onfocus={(e) => e.currentTarget.select()}
        onblur={() => (typing = false)}
        onkeydown={(e) => e.key === "Escape" && (typing = false)}
      />
      {#if problem}<span class="absolute top-7 left-0 w-48 rounded bg-must px-2 py-1 text-white" role="alert"
          >{problem}</span
        >{/if}
    </form>
  {:else}
    <button
      class="font-figure rounded-full bg-pencil px-2 text-[12px] leading-5 font-semibold text-white"
      title="To {near.otherName}. Press to type a distance."
      disabled={!still}
      onclick={start}
    >
      {writeWidth(near.width, plan.units)}
    </button>
  {/if}
</div>
