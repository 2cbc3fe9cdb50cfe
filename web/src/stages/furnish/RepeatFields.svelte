<script lang="ts">
  import type { GroupFigures, Repeat, RepeatFigures } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import { repeatFigures } from "../../plan/groups.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The figures of a repeat, each of which can be typed. */
  let {
    plan,
    repeat,
    figures,
    disabled,
  }: { plan: OpenPlan; repeat: Repeat; figures: GroupFigures | null; disabled: boolean } = $props();

  const form = $derived(repeat.form ?? "Rows");
  const singled = $derived((figures?.leftOut ?? 0) + (figures?.apart ?? 0));

  /** All of it is selected again: what came is part of it, what went is not. */
  const set = (change: Partial<RepeatFigures>) =>
    void plan.groups.make(repeat.id, {
      do: "set-repeat",
      id: repeat.id,
      figures: repeatFigures(change),
    });
</script>

<h3 class="heading mt-4 mb-2">Repeat</h3>
<div class="space-y-1.5" role="group" aria-label="Repeat">
  <NumberField
    label={form === "Rows" ? "In a row" : "Members"}
    value={repeat.columns}
    least={1}
    {disabled}
    onvalue={(columns) => columns !== null && set({ columns })}
  />
  {#if form === "Ring"}
    <LengthField
      label="Radius"
      value={figures?.radius ?? null}
      units={plan.units}
      {disabled}
      onvalue={(radius) => set({ radius })}
    />
    <LengthField
      label="Clear gap"
      value={figures?.gap ?? null}
      units={plan.units}
      {disabled}
      onvalue={(gap) => set({ gap })}
      hint="Between neighbours; the radius follows"
    />
    <LengthField
      label="Goes round"
      value={Math.abs(repeat.sweep ?? 360)}
      units={plan.units}
      angle
      {disabled}
      onvalue={(sweep) => set({ sweep })}
    />
    <Choice
      label="Fronts look"
      value={repeat.facing ?? "In"}
      options={[
        ["In", "in"],
        ["Out", "out"],
        ["Alike", "all one way"],
      ]}
      onvalue={(facing) => set({ facing: facing as "In" | "Out" | "Alike" })}
    />
  {:else}
    <LengthField
      label="Pitch"
      value={figures?.columnPitch ?? null}
      units={plan.units}
      {disabled}
      onvalue={(columnPitch) => set({ columnPitch })}
    />
    <LengthField
      label="Clear gap"
      value={figures?.columnGap ?? null}
      units={plan.units}
      {disabled}
      onvalue={(columnGap) => set({ columnGap })}
    />
    <LengthField
      label="Length"
      value={figures?.length ?? null}
      units={plan.units}
      {disabled}
      onvalue={(length) => set({ length, columns: repeat.columns })}
      hint="From end to end; the spacing follows"
    />
    {#if !disabled}
      <LengthField
        label="Fill a length"
        value={null}
        units={plan.units}
        onvalue={(length) => set({ length })}
        hint="As many as fit at this spacing"
      />
      {#if form === "Rows"}
        <button class="action w-full" onclick={() => set({ toWall: true })}>As many as fit to the wall</button
        >
      {/if}
    {/if}
  {/if}
  {#if form === "Path"}
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        checked={repeat.turned ?? true}
        {disabled}
        onchange={(e) => set({ turned: e.currentTarget.checked })}
      /> Turned with the path</label
    >
  {:else}
    <NumberField
      label={form === "Ring" ? "Rings" : "Rows"}
      value={repeat.rows}
      least={1}
      {disabled}
      onvalue={(rows) => rows !== null && set({ rows })}
    />
    {#if repeat.rows > 1}
      <LengthField
        label={form === "Ring" ? "Ring pitch" : "Row pitch"}
        value={figures?.rowPitch ?? null}
        units={plan.units}
        {disabled}
        onvalue={(rowPitch) => set({ rowPitch })}
      />
      <LengthField
        label={form === "Ring" ? "Ring gap" : "Row gap"}
        value={figures?.rowGap ?? null}
        units={plan.units}
        {disabled}
        onvalue={(rowGap) => set({ rowGap })}
      />
    {/if}
  {/if}
  {#if form === "Rows" && repeat.rows > 1}
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        checked={repeat.backToBack != null}
        {disabled}
        onchange={(e) => set({ backGap: e.currentTarget.checked ? 0 : -1 })}
      /> Back to back, in pairs</label
    >
    {#if repeat.backToBack != null}
      <LengthField
        label="Back gap"
        value={figures?.backGap ?? null}
        units={plan.units}
        {disabled}
        onvalue={(backGap) => set({ backGap })}
      />
    {/if}
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        checked={repeat.staggered ?? false}
        {disabled}
        onchange={(e) => set({ staggered: e.currentTarget.checked })}
      /> Every other row shifted by half</label
    >
  {/if}
</div>
{#if singled}
  <p class="mt-2 text-soft">
    {figures?.leftOut ? `${figures.leftOut} left out` : ""}{figures?.leftOut && figures?.apart
      ? " · "
      : ""}{figures?.apart ? `${figures.apart} moved by hand` : ""}
  </p>
  {#if !disabled}
    <button class="action mt-1" onclick={() => set({ regular: true })}>All in their places again</button>
  {/if}
{/if}
{#if !disabled}
  <p class="mt-2 text-[11px] text-soft">Drag the square at the last member to draw it out.</p>
{/if}
