<script lang="ts">
  import { sendSmallPicture, type Finish } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The finish of one floor, or the tint of some items: a tint of the palette, and for floors a pattern at its true size. */
  let { plan, of, targetId, label }: { plan: OpenPlan; of: Finish["of"]; targetId: string; label: string } =
    $props();

  const finish = $derived(
    plan.all("finish").find((f) => f.schemeId === plan.schemeId && f.of === of && f.targetId === targetId),
  );
  const isFloor = $derived(of === "Room" || of === "Zone");
  const tints = $derived(plan.catalogue?.tints ?? []);
  const matching = $derived(tints.find((tint) => tint.value === finish?.tint)?.matching ?? []);
  const nameOf = (value: string) => tints.find((tint) => tint.value === value)?.name ?? value;

  /** Usual sizes in mm of a board, a block, a tile; common practice. */
  const usual: Record<string, [number, number]> = {
    Plain: [0, 0],
    Boards: [140, 1800],
    Herringbone: [90, 450],
    Tiles: [600, 600],
    Carpet: [0, 0],
    Picture: [1000, 1000],
  };
  const patterns = [
    ["Plain", "Plain"],
    ["Boards", "Boards"],
    ["Herringbone", "Herringbone"],
    ["Tiles", "Tiles"],
    ["Carpet", "Carpet"],
    ["Picture", "Own picture …"],
  ] as const;

  const put = (change: Partial<Finish>) =>
    plan.do(() => {
      const now = finish ?? {
        id: plan.newId("finish"),
        schemeId: plan.schemeId,
        of,
        targetId,
        pattern: "Plain" as const,
        tint: "#E6DCC8",
      };
      return { do: "put-finish", finish: { ...now, ...change } as never };
    });
  const setPattern = (pattern: string) => {
    if (pattern === "Picture") return void picker?.click();
    const [width, length] = usual[pattern]!;
    return put({ pattern: pattern as Finish["pattern"], width, length, picture: undefined });
  };

  let picker = $state<HTMLInputElement>();
  let said = $state("");
  /** A picture of somebody's own: kept small with the plan, laid a metre wide until its true size is typed. */
  async function lay(input: HTMLInputElement) {
    const file = input.files?.[0];
    input.value = "";
    if (!file) return;
    const taken = await sendSmallPicture(plan.id, file);
    said = "message" in taken ? taken.message : "";
    if ("message" in taken) return;
    const width = finish?.pattern === "Picture" ? (finish.width ?? 1000) : 1000;
    const length = Math.round((width * taken.rows) / taken.columns);
    await put({ pattern: "Picture", width, length, picture: taken.picture });
  }
</script>

<div class="space-y-1.5" role="group" aria-label="Finish of {label}">
  <div class="flex flex-wrap gap-1" role="radiogroup" aria-label="Tint of {label}">
    {#each tints as tint (tint.value)}
      <button
        class="size-6 rounded border {finish?.tint === tint.value
          ? 'border-ink ring-2 ring-ink'
          : matching.includes(tint.value)
            ? 'border-ink'
            : 'border-edge'}"
        style:background={tint.value}
        role="radio"
        aria-checked={finish?.tint === tint.value}
        aria-label={tint.name}
        title="{tint.name}{matching.includes(tint.value) ? `: goes with ${nameOf(finish!.tint)}` : ''}"
        disabled={!plan.canEdit}
        onclick={() => put({ tint: tint.value })}
      ></button>
    {/each}
  </div>
  {#if finish}
    {#if matching.length}
      <p class="text-[12px] text-soft">
        {nameOf(finish.tint)} goes with {matching.map(nameOf).join(", ")}.
      </p>
    {/if}
    {#if isFloor}
      <Select
        label="Pattern of {label}"
        class="field w-full"
        value={finish.pattern}
        options={patterns}
        disabled={!plan.canEdit}
        onvalue={setPattern}
      />
      <input
        class="sr-only"
        type="file"
        tabindex="-1"
        accept="image/png,image/jpeg,image/webp"
        aria-label="Picture to lay on {label}"
        bind:this={picker}
        onchange={(e) => lay(e.currentTarget)}
      />
      {#if said}<p class="text-[12px] text-must" role="alert">{said}</p>{/if}
      {#if ["Boards", "Herringbone", "Tiles", "Picture"].includes(finish.pattern)}
        <LengthField
          label="Width"
          value={finish.width ?? 0}
          units={plan.units}
          disabled={!plan.canEdit}
          onvalue={(width) => put({ width })}
        />
        <LengthField
          label="Length"
          value={finish.length ?? 0}
          units={plan.units}
          disabled={!plan.canEdit}
          onvalue={(length) => put({ length })}
        />
        <LengthField
          label="Turned by"
          value={finish.rotation ?? 0}
          units={plan.units}
          angle
          disabled={!plan.canEdit}
          onvalue={(rotation) => put({ rotation })}
        />
      {/if}
    {/if}
    <NumberField
      label="Strength"
      value={Math.round((finish.opacity ?? 1) * 100)}
      whole
      least={5}
      unit="%"
      disabled={!plan.canEdit}
      onvalue={(percent) => percent !== null && put({ opacity: percent / 100 })}
    />
    {#if plan.canEdit}
      <button class="action" onclick={() => plan.do({ do: "remove", ids: [finish.id] })}>No finish</button>
    {/if}
  {/if}
</div>
