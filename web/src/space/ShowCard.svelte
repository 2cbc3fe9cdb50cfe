<script lang="ts">
  import LengthField from "../parts/LengthField.svelte";
  import NumberField from "../parts/NumberField.svelte";
  import type { Looking } from "./looking.svelte";

  /** What is shown in space, and by which light. */
  let { looking }: { looking: Looking } = $props();
  const plan = $derived(looking.plan);
  const details = $derived(plan.details);
  const site = $derived(details?.site ?? { latitude: 50, longitude: 0, zone: 0 });
  const day = $derived(looking.daylight);
  const two = (n: number) => `${n}`.padStart(2, "0");
  const date = $derived(day ? `${day.year}-${two(day.month)}-${two(day.day)}` : "");
  const hour = $derived(day?.hour ?? 12);

  function turnSun(on: boolean) {
    const now = new Date();
    looking.daylight = on
      ? { year: now.getFullYear(), month: now.getMonth() + 1, day: now.getDate(), hour: 12 }
      : null;
    if (on) looking.soft = true;
  }
  function setDate(text: string) {
    const [year, month, dayOf] = text.split("-").map(Number);
    if (day && year && month && dayOf) looking.daylight = { ...day, year, month, day: dayOf };
  }
  function setSite(some: Partial<typeof site>) {
    void plan.do(() => ({
      do: "set-details",
      title: details!.title,
      units: details!.units,
      north: details!.north ?? 0,
      site: { ...site, ...some },
    }));
  }
</script>

<div class="space-y-1.5">
  {#if plan.levels.length > 1}
    <label class="flex min-h-7 items-center gap-1.5"
      ><input type="checkbox" bind:checked={looking.stacked} /> All levels</label
    >
  {/if}
  <label class="flex min-h-7 items-center gap-1.5"
    ><input type="checkbox" bind:checked={looking.people} /> People on all seats</label
  >
  <label class="flex min-h-7 items-center gap-1.5"
    ><input type="checkbox" bind:checked={looking.findings} /> Findings and ways</label
  >
  <LengthField
    label="Walls cut at"
    units={plan.units}
    value={looking.cutHeight}
    onvalue={(to) => (looking.cutHeight = Math.min(30000, Math.max(0, to)))}
  />
  <label
    class="flex min-h-7 items-center gap-1.5"
    title="When the view rests; it takes the server a second or two"
    ><input type="checkbox" bind:checked={looking.soft} /> Soft light at rest</label
  >
  <label class="flex min-h-7 items-center gap-1.5"
    ><input type="checkbox" checked={day !== null} onchange={(e) => turnSun(e.currentTarget.checked)} /> Sun</label
  >
  {#if day}
    <div class="flex items-center gap-1.5">
      <span class="field"
        ><input
          class="outline-none"
          type="date"
          min="1950-01-01"
          max="2050-12-31"
          aria-label="Day"
          value={date}
          onchange={(e) => setDate(e.currentTarget.value)}
        /></span
      >
      <span class="font-figure">{two(Math.floor(hour))}:{two(Math.round((hour % 1) * 60))}</span>
    </div>
    <input
      class="w-full accent-moss"
      type="range"
      min="0"
      max="24"
      step="0.25"
      aria-label="Hour"
      value={hour}
      onchange={(e) => (looking.daylight = { ...day, hour: e.currentTarget.valueAsNumber })}
    />
    {#if plan.canEdit && details}
      <div class="space-y-1.5">
        <NumberField
          label="Latitude"
          unit="°"
          whole={false}
          least={-90}
          value={site.latitude}
          onvalue={(to) => setSite({ latitude: to ?? 0 })}
        />
        <NumberField
          label="Longitude"
          unit="°"
          whole={false}
          least={-180}
          value={site.longitude}
          onvalue={(to) => setSite({ longitude: to ?? 0 })}
        />
        <NumberField
          label="Time zone"
          unit="h"
          whole={false}
          least={-12}
          value={site.zone}
          onvalue={(to) => setSite({ zone: to ?? 0 })}
        />
      </div>
    {/if}
    {#if !details?.site}
      <p class="text-[12px] text-soft">Nobody has said where the plan is; 50 degrees north is taken.</p>
    {/if}
  {/if}
</div>
