<script lang="ts">
  import type { Item, ItemView } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The units of a kitchen line one by one, from the left as one looks at their fronts: swapped and widened, the line keeps its length. */
  let {
    plan,
    item,
    parameters,
    disabled,
  }: { plan: OpenPlan; item: Item; parameters: ItemView["parameters"]; disabled: boolean } = $props();

  const of = (key: string) => parameters.find((p) => p.key === key);
  const widths = $derived(of("units")?.value ?? []);
  const kinds = $derived(of("kinds")?.value ?? []);
  const choices = $derived((of("kinds")?.choices ?? []).map((name, i) => [`${i + 1}`, name] as const));
  const names = [
    "Doors",
    "Drawers",
    "Sink",
    "Hob",
    "Dishwasher",
    "Washer",
    "OvenStack",
    "Fridge",
    "Tall",
    "Corner",
    "Filler",
  ] as const;
</script>

{#if widths.length}
  <h3 class="heading mt-4 mb-2">Units, from the left</h3>
  <ol class="space-y-1">
    {#each widths as width, i (i)}
      <li class="flex items-center gap-1" aria-label="Unit {i + 1}">
        <span class="font-figure w-4 shrink-0 text-soft">{i + 1}</span>
        <Select
          label="Unit {i + 1} holds"
          class="field h-7 flex-1"
          {disabled}
          value={`${kinds[i] ?? 1}`}
          options={choices}
          onvalue={(kind) =>
            plan.do({ do: "set-kitchen-unit", id: item.id, unit: i + 1, kind: names[Number(kind) - 1] })}
        />
        <div class="w-[92px] shrink-0">
          <LengthField
            label="Width of unit {i + 1}"
            hideLabel
            value={width}
            units={plan.units}
            {disabled}
            onvalue={(next) => plan.do({ do: "set-kitchen-unit", id: item.id, unit: i + 1, width: next })}
          />
        </div>
      </li>
    {/each}
  </ol>
{/if}
