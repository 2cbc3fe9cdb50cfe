<script lang="ts">
  import { Tooltip } from "bits-ui";
  import type { Snippet } from "svelte";

  interface Props {
    text: string;
    /** What it explains; the properties go onto its button. */
    children: Snippet<[Record<string, unknown>]>;
  }
  let { text, children }: Props = $props();
</script>

<Tooltip.Root disabled={!text}>
  <Tooltip.Trigger>
    {#snippet child({ props })}{@render children(props)}{/snippet}
  </Tooltip.Trigger>
  <Tooltip.Portal>
    <Tooltip.Content
      sideOffset={6}
      class="z-50 max-w-[280px] rounded-md bg-ink px-2.5 py-1.5 text-[12px] text-white shadow-lg"
      >{text}</Tooltip.Content
    >
  </Tooltip.Portal>
</Tooltip.Root>
