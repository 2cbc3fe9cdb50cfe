<script lang="ts">
  import type { Brief } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const rows: ["seats" | "tables" | "workstations" | "areaPerSeat", string, string][] = [
    ["seats", "Seats", ""],
    ["tables", "Tables", ""],
    ["workstations", "Workstations", ""],
    ["areaPerSeat", "Area per seat", "m²"],
  ];

  function set(field: (typeof rows)[number][0], text: string) {
    const value = text.trim() === "" ? null : Number(text.replace(",", "."));
    if (value !== null && !(field === "areaPerSeat" ? Number.isFinite(value) : Number.isInteger(value))) {
      plan.refusal = {
        problem: {
          field,
          message: `"${text}" is no ${field === "areaPerSeat" ? "figure" : "whole number"}.`,
          canBeSure: false,
        },
        asSure: null,
      };
      return;
    }
    void plan.do({ do: "set-brief", brief: { ...plan.brief, [field]: value } as Brief });
  }
</script>

<h2 class="heading mb-2">Brief: what it must hold</h2>
<div class="space-y-1.5">
  {#each rows as [field, name, unit] (field)}
    <div class="flex items-center gap-2">
      <label class="w-[100px] text-soft" for="brief-{field}">{name}</label>
      <span class="field flex-1">
        <input
          id="brief-{field}"
          class="font-figure w-full font-semibold outline-none"
          inputmode="decimal"
          placeholder="not asked"
          disabled={!plan.canEdit}
          value={plan.brief?.[field] ?? ""}
          onchange={(e) => set(field, e.currentTarget.value)}
        />
        <span class="text-[11px] text-faint">{unit}</span>
      </span>
    </div>
  {/each}
</div>
