<script lang="ts">
  import type { UnitSystem } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import Select from "../../parts/Select.svelte";
  import { kindNames } from "./catalogue";

  /** What is said of an own item that is brought in: its name, its kind and its true size. */
  let {
    units,
    name = $bindable(),
    kind = $bindable(),
    width = $bindable(),
    height = $bindable(),
  }: { units: UnitSystem; name: string; kind: string; width: number; height: number } = $props();
</script>

<label class="field">
  <span class="sr-only">Name of the own item</span>
  <input class="w-full outline-none" placeholder="Name" maxlength="60" required bind:value={name} />
</label>
<Select
  label="Kind of the own item"
  class="field w-full"
  options={Object.entries(kindNames)}
  bind:value={kind}
/>
<LengthField label="True width" value={width} {units} onvalue={(v) => (width = v)} />
<LengthField label="Height" value={height} {units} onvalue={(v) => (height = v)} />
