<script lang="ts">
  import type { Spot } from "../../app/api";
  import { offsets } from "../../plan/offsets.svelte";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Distances typed against what is pointed at: so far from this wall, then so far along it. */
  let { plan, ids }: { plan: OpenPlan; ids: string[] } = $props();

  let from = $state<"Outermost" | "Body" | "Middle">("Outermost");
  let end = $state<"near" | "far">("near");
  let said = $state<{ away: number | null; along: number | null }>({ away: null, along: null });
  let fields = $state<HTMLElement>();

  const key = $derived(ids.join());
  const at = $derived<Spot | null>(offsets.ids === key ? offsets.at : null);

  // What was pointed at is there to be typed against.
  $effect(() => {
    if (!at) return;
    said = { away: null, along: null };
    fields?.querySelector<HTMLInputElement>("input[data-figure]")?.focus({ preventScroll: true });
  });

  async function set(change: { away?: number; along?: number }) {
    if (!at) return;
    if (await plan.do({ do: "set-off", ids, at, farEnd: end === "far", from, ...change }))
      said = { ...said, ...change };
  }
</script>

<h3 class="heading mt-4 mb-2">Offset</h3>
<button class="action w-full" title="Key O" onclick={() => offsets.point(ids)}
  >{at ? "From another wall or side …" : "From a wall or side …"}</button
>
{#if at}
  <div class="mt-1.5 space-y-1.5" role="group" aria-label="Offset" bind:this={fields}>
    <LengthField
      label="Away from it"
      value={said.away}
      units={plan.units}
      onvalue={(away) => set({ away })}
    />
    <LengthField label="Along it" value={said.along} units={plan.units} onvalue={(along) => set({ along })} />
    <Choice
      label="From its"
      options={[
        ["near", "end nearer to where I pressed"],
        ["far", "other end"],
      ]}
      bind:value={end}
    />
    <Choice
      label="To the"
      options={[
        ["Outermost", "chairs, as people sit"],
        ["Body", "edge of the thing itself"],
        ["Middle", "middle"],
      ]}
      bind:value={from}
    />
  </div>
{/if}
