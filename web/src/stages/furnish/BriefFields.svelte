<script lang="ts">
  import type { Brief } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import { squareUnit } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const counts: [
    "seats" | "tables" | "workstations" | "screens" | "withPower" | "wheelchairSpaces",
    string,
  ][] = [
    ["seats", "Seats"],
    ["tables", "Tables"],
    ["workstations", "Workstations"],
    ["screens", "Screens"],
    ["withPower", "With power"],
    ["wheelchairSpaces", "Wheelchairs"],
  ];
  const square = $derived(squareUnit(plan.units));
  const area = $derived(plan.brief?.areaPerSeat ?? null);
  const set = (change: Partial<Brief>) =>
    void plan.do(() => ({ do: "set-brief", brief: { ...plan.brief, ...change } }));
</script>

<h2 class="heading mb-2">Brief: what it must hold</h2>
<div class="space-y-1.5">
  {#each counts as [field, label] (field)}
    <NumberField
      {label}
      value={plan.brief?.[field] ?? null}
      empty="not asked"
      disabled={!plan.canEdit}
      onvalue={(count) => set({ [field]: count })}
    />
  {/each}
  <NumberField
    label="Area per seat"
    value={area === null ? null : area / square.metres}
    whole={false}
    empty="not asked"
    unit={square.name}
    disabled={!plan.canEdit}
    onvalue={(value) => set({ areaPerSeat: value === null ? null : value * square.metres })}
  />
  <LengthField
    label="Storage"
    value={plan.brief?.storageLength ?? null}
    units={plan.units}
    disabled={!plan.canEdit}
    empty="not asked"
    hint="The width of its fronts together; 0 asks for none"
    onvalue={(length) => set({ storageLength: length || null })}
  />
</div>
