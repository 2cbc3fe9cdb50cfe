<script lang="ts">
  import { Dialog } from "bits-ui";
  import { keyList } from "../plan/keys";

  let { open = $bindable(false) }: { open?: boolean } = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 bg-ink/40" />
    <Dialog.Content
      class="fixed top-1/2 left-1/2 w-[460px] -translate-x-1/2 -translate-y-1/2 rounded-lg border border-edge bg-panel p-5 shadow-xl"
    >
      <Dialog.Title class="text-[16px] font-semibold">Keys</Dialog.Title>
      <dl class="mt-3 grid grid-cols-[150px_1fr] gap-y-1.5">
        {#each keyList as [keys, what] (keys)}
          <dt class="font-semibold">{keys}</dt>
          <dd>{what}</dd>
        {/each}
      </dl>
      <Dialog.Close class="action mt-4">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
