<script lang="ts">
  import { keyList } from "../plan/keys";
  import Window from "./Window.svelte";

  let { open = $bindable(false) }: { open?: boolean } = $props();
</script>

<Window title="Keys" bind:open>
  <dl class="mt-3 grid grid-cols-[150px_1fr] gap-y-1.5">
    {#each keyList as [keys, what] (keys)}
      <dt class="font-semibold">{keys}</dt>
      <dd>{what}</dd>
    {/each}
  </dl>
</Window>
