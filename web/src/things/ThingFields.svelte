<script lang="ts">
  import type { Edit, Spot, Thing } from "../app/api";
  import Choice from "../parts/Choice.svelte";
  import NumberField from "../parts/NumberField.svelte";
  import BlockFields from "./BlockFields.svelte";
  import CornerFields from "./CornerFields.svelte";
  import { isDrawn } from "./corners";
  import { formIsRead, orBack } from "../plan/forms";
  import LengthField from "../parts/LengthField.svelte";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  let { plan, thing }: { plan: OpenPlan; thing: Thing } = $props();

  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = thing.id;
  const kind = $derived(plan.kindOf(thing));
  const put = (change: object) =>
    plan.do(() => ({ do: "put-thing", thing: { ...plan.entities.get(id), ...change } }) as unknown as Edit);
  const walls = $derived(
    plan.near.map((n) => ({ ...n, wallId: plan.wallOf(n.otherId) })).filter((n) => n.wallId !== null),
  );
  let grid = $state({ columns: 2, rows: 1, columnSpacing: 3000, rowSpacing: 3000 });
  const towards = (from: Spot, to: Spot) =>
    Math.abs(from.x - to.x) < Math.abs(from.y - to.y)
      ? `to the ${to.y > from.y ? "north" : "south"}`
      : `to the ${to.x > from.x ? "east" : "west"}`;
  const drawn = $derived(plan.figures?.drawn.find((way) => way.thingId === id));
  const round = $derived(thing.round === true);
  const upper = $derived(
    plan.levels.filter((l) => l.elevation > (plan.level?.elevation ?? 0)).map((l) => [l.id, l.name] as const),
  );
  const fields = $derived(
    (kind?.fields ?? []).filter((field) => {
      if (!field.only) return true;
      const [key, value] = field.only.split("=") as [string, string];
      return value.split("|").includes(String(thing[key] ?? ""));
    }),
  );
</script>

{#if !kind?.ofScheme}
  {#each walls as near, i (i)}
    <LengthField
      label="From wall"
      value={near.width}
      units={plan.units}
      hint={towards(near.from as Spot, near.to as Spot)}
      onvalue={(distance) =>
        plan.do({ do: "put-by-offsets", id, offsets: [{ wallId: near.wallId!, distance, toMiddle: false }] })}
    />
  {/each}
{/if}
<LengthField label="Middle x" value={thing.x} units={plan.units} onvalue={(x) => put({ x })} />
<LengthField label="Middle y" value={thing.y} units={plan.units} onvalue={(y) => put({ y })} />
<LengthField
  label="Rotation"
  angle
  value={thing.rotation}
  units={plan.units}
  onvalue={(rotation) => put({ rotation })}
/>
{#if kind?.form !== "Line"}
  <LengthField
    label={round ? "Diameter" : "Width"}
    value={thing.width}
    units={plan.units}
    onvalue={(width) => put(round ? { width, depth: width } : { width })}
  />
  {#if !round}
    <LengthField
      label={kind?.depthLabel ?? "Depth"}
      value={thing.depth}
      units={plan.units}
      onvalue={(depth) => put({ depth })}
    />
  {/if}
{/if}
{#if drawn}
  <p class={drawn.holds ? "text-soft" : "text-must"} role="status">
    {drawn.holds
      ? `Free: ${drawn.needed} all along.`
      : `${drawn.clear} of ${drawn.needed} free, between ${drawn.between}.`}
  </p>
{/if}
{#if kind?.name === "seating-block"}<BlockFields {plan} {thing} />{/if}
{#if isDrawn(thing)}<CornerFields {plan} {thing} />{/if}
{#each fields as field (`${field.key} ${field.only}`)}
  {#if field.kind === "Length" || field.kind === "Angle"}
    <LengthField
      label={field.label}
      angle={field.kind === "Angle"}
      value={thing[field.key] as number}
      units={plan.units}
      hint={field.note}
      onvalue={(value) => put({ [field.key]: value })}
    />
  {:else if field.kind === "Choice"}
    <Choice
      label={field.label}
      value={String(thing[field.key])}
      options={field.choices.map((c) => [c.value, c.label] as const)}
      onvalue={(value) => put({ [field.key]: value })}
    />
  {:else if field.kind === "Level"}
    <Choice
      label={field.label}
      value={String(thing[field.key] ?? "")}
      options={[["", "this level's own step"], ...upper]}
      onvalue={(value) => put({ [field.key]: value })}
    />
  {:else if field.kind === "Asked"}
    <NumberField
      label={field.label}
      value={(thing[field.key] as number | null) ?? null}
      empty="not asked"
      onvalue={(count) => put({ [field.key]: count })}
    />
    {#if field.note}<p class="mt-0.5 pl-[96px] text-[11px] text-soft">{field.note}</p>{/if}
  {:else if field.kind === "AskedLength"}
    <LengthField
      label={field.label}
      value={(thing[field.key] as number | null) ?? null}
      units={plan.units}
      empty="not asked"
      hint={field.note}
      onvalue={(value) => put({ [field.key]: value || null })}
    />
  {:else if field.kind === "Count"}
    <NumberField
      label={field.label}
      value={thing[field.key] as number}
      onvalue={(count) => put({ [field.key]: count! })}
    />
    {#if field.note}<p class="mt-0.5 pl-[96px] text-[11px] text-soft">{field.note}</p>{/if}
  {:else}
    <div class="flex items-center gap-2">
      <label class="w-[88px] shrink-0 text-soft" for="thing-{field.key}">{field.label}</label>
      <input
        id="thing-{field.key}"
        class="field min-w-0 flex-1"
        maxlength="80"
        value={thing[field.key]}
        onchange={(e) =>
          orBack(
            e.currentTarget,
            String(thing[field.key] ?? ""),
            put({ [field.key]: e.currentTarget.value }),
          )}
      />
    </div>
    {#if field.note}<p class="mt-0.5 pl-[96px] text-[11px] text-soft">{field.note}</p>{/if}
  {/if}
{/each}
<details>
  <summary class="cursor-pointer text-soft">Repeat on a grid</summary>
  <div class="mt-1.5 space-y-1.5" data-form>
    {#each [["Columns", "columns"], ["Rows", "rows"]] as const as [label, key] (key)}
      <NumberField {label} least={1} value={grid[key]} onvalue={(n) => (grid[key] = n!)} />
    {/each}
    <LengthField
      label="Column spacing"
      value={grid.columnSpacing}
      units={plan.units}
      onvalue={(v) => (grid.columnSpacing = v)}
    />
    <LengthField
      label="Row spacing"
      value={grid.rowSpacing}
      units={plan.units}
      onvalue={(v) => (grid.rowSpacing = v)}
    />
    <button
      class="action w-full"
      onclick={async (e) => {
        if (await formIsRead(plan, e.currentTarget.parentElement))
          await plan.do({ do: "repeat-thing", id: thing.id, newId: plan.newId("grid"), ...grid });
      }}>Repeat</button
    >
  </div>
</details>
