<script lang="ts">
  import type { SheetSettings, Viewpoint } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  interface Props {
    plan: OpenPlan;
    sheet: SheetSettings;
    onset: (pictures: SheetSettings["pictures"]) => void;
  }
  /** Which viewpoints a sheet shows pictures from, and whether they stand there without the plan. */
  let { plan, sheet, onset }: Props = $props();

  const viewpoints = $derived(
    (plan.all("viewpoint") as Viewpoint[])
      .filter((one) => one.schemeId === plan.schemeId)
      .sort((a, b) => a.name.localeCompare(b.name, "en")),
  );
  const chosen = $derived(sheet.pictures?.viewpoints ?? []);
  const alone = $derived(sheet.pictures?.alone ?? false);

  function turn(id: string) {
    const next = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
    onset(next.length ? { viewpoints: next, alone } : null);
  }
</script>

<h3 class="heading mt-4 mb-1">Pictures on the sheet</h3>
{#each viewpoints as one (one.id)}
  <label class="flex min-h-7 items-center gap-1.5"
    ><input
      type="checkbox"
      checked={chosen.includes(one.id)}
      disabled={!plan.canEdit || (!chosen.includes(one.id) && chosen.length >= 9)}
      onchange={() => turn(one.id)}
    />
    {one.name}</label
  >
{:else}
  <p class="text-[12px] text-soft">Keep a viewpoint in space first.</p>
{/each}
{#if chosen.length}
  <label class="flex min-h-7 items-center gap-1.5"
    ><input
      type="checkbox"
      checked={alone}
      disabled={!plan.canEdit}
      onchange={(e) => onset({ viewpoints: chosen, alone: e.currentTarget.checked })}
    /> Without the plan</label
  >
{/if}
