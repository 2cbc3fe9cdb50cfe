<script lang="ts">
  import type { HTMLInputAttributes } from "svelte/elements";

  let {
    label,
    value = $bindable(),
    ...rest
  }: HTMLInputAttributes & { label: string; value: string } = $props();
</script>

<label class="block">
  <span class="text-soft">{label}</span>
  <span class="field mt-1"><input class="w-full outline-none" required bind:value {...rest} /></span>
</label>
