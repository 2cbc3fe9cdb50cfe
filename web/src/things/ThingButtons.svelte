<script lang="ts">
  import { PenLine } from "@lucide/svelte";
  import type { Thing, ThingKindView } from "../app/api";
  import { newChain } from "../canvas/chain";
  import { tools } from "../canvas/tools.svelte";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  interface Props {
    plan: OpenPlan;
    stage: ThingKindView["stage"];
    /** Only this kind; all of the stage where none is said. */
    only?: string;
    /** Kinds that are offered elsewhere. */
    without?: string[];
  }
  let { plan, stage, only = "", without = [] }: Props = $props();

  const kinds = $derived(
    (plan.catalogue?.things ?? []).filter(
      (kind) => kind.stage === stage && (only ? kind.name === only : !without.includes(kind.name)),
    ),
  );

  /** What is pressed next on the plan becomes a new one of the kind, made from the template of one of its forms. */
  function take(kind: ThingKindView, made: unknown, event: MouseEvent) {
    const template = made as Thing;
    if (kind.form === "Line") return draw(kind, made);
    // What is shown and typed into next is the new one, not what was selected before.
    plan.select([]);
    tools.aim = null;
    tools.tool = { kind: "thing", thing: here(kind, template) };
    if (event.detail === 0) tools.inMiddle();
  }

  /** Styles of seating are chosen by their pictures, and on the block itself: here it begins as the first of them. */
  const formsOf = (kind: ThingKindView) =>
    kind.name === "seating-block"
      ? [{ label: "Seating block", template: kind.ready[0]!.template }]
      : kind.ready;

  const here = (kind: ThingKindView, template: Thing): Thing => ({
    ...template,
    levelId: plan.levelId,
    ...(kind.ofScheme ? { schemeId: plan.schemeId } : {}),
  });

  /** Corner by corner, with typed lengths where they are known. */
  function draw(kind: ThingKindView, made: unknown) {
    plan.select([]);
    tools.aim = null;
    const what = kind.form === "Line" ? "line" : "area";
    tools.tool = { kind: "chain", chain: newChain(plan, { what, thing: here(kind, made as Thing) }) };
  }
</script>

{#each kinds as kind (kind.name)}
  {#each formsOf(kind) as { label, template } (label)}
    <button class="action" disabled={!plan.canEdit} onclick={(e) => take(kind, template, e)}>{label}</button>
    {#if kind.form === "Area"}
      <button
        class="action -ml-1 px-2"
        aria-label="{label} by corners"
        title="{label} by corners, with typed lengths"
        disabled={!plan.canEdit}
        onclick={() => draw(kind, template)}><PenLine size={14} /></button
      >
    {/if}
  {/each}
{/each}
