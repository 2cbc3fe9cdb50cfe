<script lang="ts" generics="T extends string">
  import Select from "./Select.svelte";

  interface Props {
    label: string;
    value: T;
    options: readonly (readonly [string, string])[];
    disabled?: boolean;
    onvalue?: (value: T) => void;
  }
  let { label, value = $bindable(), options, disabled = false, onvalue }: Props = $props();
</script>

<div class="flex items-center gap-2">
  <span class="w-[88px] shrink-0 text-soft" aria-hidden="true">{label}</span>
  <Select {label} class="field flex-1" options={options as [T, string][]} {disabled} {onvalue} bind:value />
</div>
