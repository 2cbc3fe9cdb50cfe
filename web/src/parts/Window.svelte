<script lang="ts">
  import { Dialog } from "bits-ui";
  import type { Snippet } from "svelte";

  interface Props {
    title: string;
    text?: string;
    wide?: boolean;
    open?: boolean;
    children: Snippet;
  }
  let { title, text = "", wide = false, open = $bindable(false), children }: Props = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-ink/40" />
    <Dialog.Content
      class="fixed top-1/2 left-1/2 z-40 max-h-[94vh] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-edge bg-panel p-5 shadow-xl {wide
        ? 'w-[760px]'
        : 'w-[460px]'}"
    >
      <Dialog.Title class="text-[16px] font-semibold">{title}</Dialog.Title>
      {#if text}<Dialog.Description class="text-soft">{text}</Dialog.Description>{/if}
      {@render children()}
      <Dialog.Close class="action mt-4">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
