<script lang="ts">
  import type { ItemView } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import Select from "../../parts/Select.svelte";
  import { readFigure } from "../../parts/readFigure";
  import { writeLength } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** What the maker of an item is told beside its size. */
  let {
    plan,
    id,
    parameters,
    disabled,
  }: { plan: OpenPlan; id: string; parameters: ItemView["parameters"]; disabled: boolean } = $props();

  const field = $props.id();
  let problems = $state<Record<string, string>>({});

  const set = (key: string, value: number | number[]) =>
    plan.do(() => ({
      do: "set-parameters",
      id,
      parameters: { ...((plan.item(id)?.parameters as object | undefined) ?? {}), [key]: value } as never,
    }));

  type Parameter = ItemView["parameters"][number];
  const written = (parameter: Parameter) =>
    parameter.value
      .map((v) =>
        parameter.choices.length
          ? parameter.choices[v - 1]
          : parameter.isCount
            ? `${v}`
            : writeLength(v, plan.units),
      )
      .join(", ");

  /** A list as it was typed: lengths, numbers or choices by their names, between commas. */
  async function setList(parameter: Parameter, text: string) {
    const parts = text
      .split(/[,;]/)
      .map((part) => part.trim())
      .filter(Boolean);
    const read = await Promise.all(parts.map((part) => readPart(parameter, part)));
    const wrong = read.find((r) => r.value === null);
    problems[parameter.key] = wrong?.problem ?? "";
    if (!wrong)
      await set(
        parameter.key,
        read.map((r) => r.value!),
      );
  }

  async function readPart(parameter: Parameter, part: string) {
    if (parameter.choices.length) {
      const named = parameter.choices.findIndex((c) => c.toLowerCase().startsWith(part.toLowerCase()));
      return named >= 0
        ? { value: named + 1, problem: "" }
        : { value: null, problem: `“${part}” is none of ${parameter.choices.join(", ")}.` };
    }
    if (parameter.isCount)
      return /^\d{1,4}$/.test(part)
        ? { value: Number(part), problem: "" }
        : { value: null, problem: `“${part}” is no number of a bay.` };
    const read = await readFigure(part, plan.units, false);
    return { value: read.value ?? null, problem: read.problem ?? "This is no length." };
  }
</script>

{#each parameters as parameter (parameter.key)}
  {#if parameter.isList}
    <div class="flex items-center gap-2">
      <label class="w-[88px] shrink-0 text-soft" for="{field}-{parameter.key}">{parameter.label}</label>
      <input
        id="{field}-{parameter.key}"
        class="field font-figure min-w-0 flex-1 font-semibold"
        placeholder={parameter.isCount ? "none" : "by itself"}
        title={parameter.choices.length ? `Of ${parameter.choices.join(", ")}` : undefined}
        {disabled}
        value={written(parameter)}
        onchange={(e) => setList(parameter, e.currentTarget.value)}
      />
    </div>
    {#if problems[parameter.key]}<p class="text-[12px] text-must" role="alert">
        {problems[parameter.key]}
      </p>{/if}
  {:else if parameter.choices.length}
    <div class="flex items-center gap-2">
      <span class="w-[88px] shrink-0 text-soft">{parameter.label}</span>
      <Select
        label={parameter.label}
        class="field flex-1"
        {disabled}
        value={String(parameter.value[0])}
        options={parameter.choices.map((name, i) => [`${i + 1}`, name] as const)}
        onvalue={(value) => set(parameter.key, Number(value))}
      />
    </div>
  {:else if parameter.isYesOrNo}
    <label class="flex items-center gap-2">
      <span class="w-[88px] shrink-0 text-soft">{parameter.label}</span>
      <input
        type="checkbox"
        {disabled}
        checked={parameter.value[0] === 1}
        onchange={(e) => set(parameter.key, e.currentTarget.checked ? 1 : 0)}
      />
    </label>
  {:else if parameter.isCount}
    <NumberField
      label={parameter.label}
      value={parameter.value[0] ?? 0}
      whole
      least={0}
      {disabled}
      onvalue={(value) => value !== null && set(parameter.key, value)}
    />
  {:else}
    <LengthField
      label={parameter.label}
      value={parameter.value[0] ?? 0}
      units={plan.units}
      {disabled}
      onvalue={(value) => set(parameter.key, value)}
    />
  {/if}
{/each}
