<script lang="ts">
  import type { Backing, Edit } from "../../app/api";
  import { pixelAt } from "../../canvas/shellHits";
  import { tools } from "../../canvas/tools.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import { squareUnit } from "../../plan/figures";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan, backing }: { plan: OpenPlan; backing: Backing } = $props();

  type Known = { from: { x: number; y: number }; to: { x: number; y: number }; length: number | null };
  let lengths = $state<Known[]>([]);
  let corners = $state<{ x: number; y: number }[]>([]);
  let area = $state<number | null>(null);
  // The long side of the paper that drawings of this kind are on: A3, or 17 in.
  // svelte-ignore state_referenced_locally
  let stated = $state({ scale: 50, paper: plan.units === "Metric" ? 420 : 17 * 25.4 });
  const fixed = $derived(!!backing.locked);
  const square = $derived(squareUnit(plan.units));
  const cropped = $derived(backing.cropLeft || backing.cropRight || backing.cropTop || backing.cropBottom);

  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = backing.id;
  const put = (change: Partial<Backing>) =>
    plan.do(() => ({
      do: "put-backing",
      backing: { ...(plan.entities.get(id) as Backing), ...change },
    }));

  function mark() {
    tools.ask(
      "Press the two ends of a length you know",
      2,
      ([a, b]) => {
        lengths = [
          ...lengths.slice(-1),
          { from: pixelAt(backing, a!), to: pixelAt(backing, b!), length: null },
        ];
        requestAnimationFrame(() =>
          document
            .getElementById(`known-${lengths.length - 1}`)
            ?.querySelector("input")
            ?.focus(),
        );
      },
      false,
    );
  }

  async function scale(edit: object) {
    if (await plan.do({ do: "scale-backing", id: backing.id, ...edit } as Edit)) {
      lengths = [];
      corners = [];
    }
  }

  const level = (upright: boolean) =>
    tools.ask(
      `Press two points of a line that is to be ${upright ? "upright" : "level"}`,
      2,
      ([a, b]) =>
        void plan.do({
          do: "level-backing",
          id: backing.id,
          from: pixelAt(backing, a!),
          to: pixelAt(backing, b!),
          upright,
        }),
      false,
    );

  function outline() {
    const count = 4;
    tools.ask(
      "Press the corners of the area you know",
      count,
      (points) => (corners = points.map((p) => pixelAt(backing, p))),
      false,
    );
  }
</script>

<p class="text-[12px] text-soft">
  {backing.columns} × {backing.rows} pixels. {backing.scaleFrom || "Not set to scale yet."}
</p>
<h3 class="heading pt-1">Scale</h3>
<button class="action w-full" disabled={fixed} onclick={mark}
  >{lengths.length ? "Mark a second length" : "Mark a length you know"}</button
>
{#each lengths as known, i (i)}
  <div id="known-{i}">
    <LengthField
      label="{i ? 'Second' : 'First'} length"
      value={known.length}
      units={plan.units}
      onvalue={(length) => (lengths = lengths.map((l, k) => (k === i ? { ...l, length } : l)))}
    />
  </div>
{/each}
{#if lengths.length && lengths.every((l) => l.length)}
  <button class="action-main w-full" onclick={() => scale({ lengths })}
    >Set to scale by {lengths.length === 1 ? "this length" : "both lengths"}</button
  >
{/if}
<details>
  <summary class="cursor-pointer text-soft">By an area, or the drawing's scale</summary>
  <div class="mt-1.5 space-y-1.5" data-form>
    <button class="action w-full" disabled={fixed} onclick={outline}
      >{corners.length ? "Mark the four corners again" : "Mark its four corners"}</button
    >
    {#if corners.length}
      <NumberField
        label="Its area"
        whole={false}
        value={area}
        unit={square.name}
        onvalue={(v) => (area = v)}
      />
      <button
        class="action-main w-full"
        disabled={!area}
        onclick={async (e) => {
          if (await formIsRead(plan, e.currentTarget.parentElement))
            await scale({ corners, area: area! * square.metres });
        }}>Set to scale by the area</button
      >
    {/if}
    <NumberField
      label="Stated 1 :"
      whole={false}
      least={1}
      value={stated.scale}
      onvalue={(v) => (stated = { ...stated, scale: v! })}
    />
    <LengthField
      label="Paper width"
      value={stated.paper}
      units={plan.units}
      onvalue={(paper) => (stated = { ...stated, paper })}
    />
    <button
      class="action w-full"
      disabled={fixed}
      onclick={async (e) => {
        if (await formIsRead(plan, e.currentTarget.parentElement))
          await scale({ statedScale: stated.scale, paperWidth: stated.paper });
      }}>Set by scale and paper</button
    >
  </div>
</details>
<h3 class="heading pt-1">Rotation</h3>
<div class="flex gap-1.5">
  <button class="action flex-1" disabled={fixed} onclick={() => level(false)}>Until level</button>
  <button class="action flex-1" disabled={fixed} onclick={() => level(true)}>Until upright</button>
</div>
<LengthField
  label="Rotation"
  angle
  value={backing.rotation}
  units={plan.units}
  disabled={fixed}
  onvalue={(rotation) => put({ rotation })}
/>
<h3 class="heading pt-1">Show</h3>
<div class="flex items-center gap-2">
  <label class="w-[88px] text-soft" for="fade">Fade</label>
  <input
    id="fade"
    class="min-w-0 flex-1"
    type="range"
    min="0"
    max="1"
    step="0.05"
    value={backing.fade ?? 0.5}
    onchange={(e) => put({ fade: Number(e.currentTarget.value) })}
  />
</div>
<div class="flex gap-1.5">
  <button
    class="action flex-1"
    disabled={fixed}
    aria-pressed={tools.tool.kind === "crop"}
    onclick={() => (tools.tool = { kind: "crop", backingId: id })}>Crop by dragging…</button
  >
  {#if cropped}
    <button
      class="action flex-1"
      disabled={fixed}
      onclick={() => put({ cropLeft: 0, cropRight: 0, cropTop: 0, cropBottom: 0 })}>Show all of it</button
    >
  {/if}
</div>
<details>
  <summary class="cursor-pointer text-soft">Crop, in pixels</summary>
  <div class="mt-1.5 space-y-1.5">
    {#each [["Left", "cropLeft"], ["Right", "cropRight"], ["Top", "cropTop"], ["Bottom", "cropBottom"]] as const as [label, key] (key)}
      <NumberField
        {label}
        disabled={fixed}
        value={backing[key] ?? 0}
        onvalue={(pixels) => put({ [key]: pixels! })}
      />
    {/each}
  </div>
</details>
