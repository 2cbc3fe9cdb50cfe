<script lang="ts">
  import type { Thing, ThingKindView } from "../app/api";
  import { tools } from "../canvas/tools.svelte";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  interface Props {
    plan: OpenPlan;
    stage: ThingKindView["stage"];
    /** Kinds that are offered elsewhere. */
    without?: string[];
  }
  let { plan, stage, without = [] }: Props = $props();

  const kinds = $derived(
    (plan.catalogue?.things ?? []).filter((kind) => kind.stage === stage && !without.includes(kind.name)),
  );

  /** What is pressed next on the plan becomes a new one of the kind, made from its template. */
  function take(kind: ThingKindView, event: MouseEvent) {
    const template = kind.template as unknown as Thing;
    tools.aim = null;
    tools.tool = {
      kind: "thing",
      thing: {
        ...template,
        levelId: plan.levelId,
        ...(kind.ofScheme ? { schemeId: plan.schemeId } : {}),
      },
    };
    if (event.detail === 0) tools.inMiddle();
  }
</script>

{#each kinds as kind (kind.name)}
  <button class="action" disabled={!plan.canEdit} onclick={(e) => take(kind, e)}
    >{kind.word.charAt(0).toUpperCase() + kind.word.slice(1)}</button
  >
{/each}
