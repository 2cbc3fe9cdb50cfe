<script lang="ts">
  import type { Edit, Item } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import { directions } from "../../things/seating";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Numbers of several items by where they stand, shown on the plan while they are chosen. */
  let { plan, items }: { plan: OpenPlan; items: Item[] } = $props();

  let order = $state("Rows");
  let form = $state("Numbers");
  let start = $state(1);
  let step = $state(1);
  let prefix = $state("");
  let facing = $state("90");
  let zone = $state("");
  let open = $state(false);
  const zones = $derived(plan.things.filter((thing) => thing.type === "zone"));
  const edit = $derived({
    do: "number-items",
    ids: items.map((item) => item.id),
    order,
    form,
    start,
    step,
    prefix,
    facing: Number(facing),
    zone: zones.some((one) => one.id === zone) ? zone : null,
  } as unknown as Edit);
  const ordered = $derived(form === "Numbers" || form === "OddEven");

  $effect(() => {
    if (!open) return;
    plan.ask(edit);
    return () => plan.stopAsking();
  });
</script>

<details class="mt-2" bind:open>
  <summary class="cursor-pointer text-soft">Number them</summary>
  <div class="mt-1.5 space-y-1.5" role="group" aria-label="Number them" data-form>
    <Choice
      label="Written"
      options={[
        ["Numbers", "1, 2, 3"],
        ["RowLetters", "A1, A2, B1 (no I, no O)"],
        ["RowNumbers", "1-1, 1-2, 2-1"],
        ["OddEven", "odd left, even right"],
      ]}
      bind:value={form}
    />
    <Choice
      label="In order"
      options={[
        ["Rows", "row by row"],
        ["Columns", "line by line"],
        ["Snake", "to and fro"],
        ...(ordered
          ? ([
              ["Spiral", "round about, inwards"],
              ["FromFront", "nearest to the front first"],
              ["AsNumbered", "as now, gaps closed"],
            ] as const)
          : []),
      ]}
      bind:value={order}
    />
    <Choice label="Front is" options={directions} bind:value={facing} />
    <NumberField label="Begin with" least={0} value={start} onvalue={(n) => (start = n ?? 1)} />
    <NumberField label="Step" least={1} value={step} onvalue={(n) => (step = n ?? 1)} />
    {#if ordered}
      <div class="flex items-center gap-2">
        <label class="w-[88px] shrink-0 text-soft" for="number-prefix">Prefix</label>
        <input
          id="number-prefix"
          class="field min-w-0 flex-1"
          maxlength="6"
          placeholder="none"
          bind:value={prefix}
        />
      </div>
    {/if}
    {#if zones.length}
      <Choice
        label="Only in"
        options={[
          ["", "all of them"],
          ...zones.map((one) => [one.id, (one.name as string) || "Zone"] as const),
        ]}
        bind:value={zone}
      />
    {/if}
    {#if plan.probe?.problem}<p class="text-must" role="alert">{plan.probe.problem.message}</p>{/if}
    <button class="action w-full" onclick={() => plan.do(edit).then((done) => done && (open = false))}
      >Number them so</button
    >
  </div>
</details>
