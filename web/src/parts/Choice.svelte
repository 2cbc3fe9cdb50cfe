<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    value: T;
    options: readonly (readonly [string, string])[];
    disabled?: boolean;
    onvalue?: (value: T) => void;
  }
  let { label, value = $bindable(), options, disabled = false, onvalue }: Props = $props();
  const id = $props.id();
</script>

<div class="flex items-center gap-2">
  <label class="w-[88px] shrink-0 text-soft" for={id}>{label}</label>
  <select
    {id}
    class="field min-w-0 flex-1"
    {disabled}
    {value}
    onchange={(e) => {
      value = e.currentTarget.value as T;
      onvalue?.(value);
    }}
  >
    {#each options as [key, name] (key)}<option value={key}>{name}</option>{/each}
  </select>
</div>
