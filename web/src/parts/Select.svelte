<script lang="ts" generics="T extends string">
  import { ChevronDown } from "@lucide/svelte";
  import { Select } from "bits-ui";

  interface Props {
    label: string;
    value: T;
    /** What may be chosen: the value, and what it is called. */
    options: readonly (readonly [T, string])[];
    disabled?: boolean;
    class?: string;
    onvalue?: (value: T) => void;
  }
  let {
    label,
    value = $bindable(),
    options,
    disabled = false,
    class: look = "field",
    onvalue,
  }: Props = $props();

  /** Whether Tab is leaving the closed list: that chooses nothing. */
  let leaving = false;
  function onkeydowncapture(event: KeyboardEvent) {
    leaving = event.key === "Tab";
    if (leaving) setTimeout(() => (leaving = false));
  }

  const shown = $derived(options.find(([key]) => key === value)?.[1] ?? "");
</script>

<Select.Root
  type="single"
  {disabled}
  items={options.map(([key, name]) => ({ value: key, label: name }))}
  bind:value={
    () => value as string,
    (next) => {
      if (next === value || leaving) return;
      value = next as T;
      onvalue?.(value);
    }
  }
>
  <Select.Trigger
    class="{look} min-w-0 justify-between gap-1.5 text-left disabled:opacity-60"
    aria-label={label}
    {onkeydowncapture}
  >
    <span class="truncate">{shown}</span>
    <ChevronDown size={13} class="shrink-0 opacity-60" aria-hidden="true" />
  </Select.Trigger>
  <Select.Portal>
    <Select.Content
      class="z-50 max-h-72 min-w-[var(--bits-select-anchor-width)] overflow-y-auto rounded-md border border-edge bg-white p-1 text-ink shadow-lg"
      sideOffset={4}
    >
      <Select.Viewport>
        {#each options as [key, name] (key)}
          <Select.Item
            value={key}
            label={name}
            class="flex min-h-7 cursor-pointer items-center rounded px-2 py-0.5 data-[highlighted]:bg-moss-wash data-[selected]:font-semibold"
          >
            {name}
          </Select.Item>
        {/each}
      </Select.Viewport>
    </Select.Content>
  </Select.Portal>
</Select.Root>
