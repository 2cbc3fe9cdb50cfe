<script lang="ts" generics="T">
  import { Virtualizer, type VirtualizerHandle } from "virtua/svelte";
  import { untrack, type Snippet } from "svelte";

  interface Props {
    label: string;
    items: T[];
    keyOf: (item: T) => string;
    class?: string;
    /** The key of the one that is brought into view when it changes. */
    shown?: string | null;
    row: Snippet<[T]>;
    /** Shown where there is nothing. */
    empty?: Snippet;
  }
  let { label, items, keyOf, class: look = "", shown = null, row, empty }: Props = $props();

  let list = $state<VirtualizerHandle>();
  let last: string | null = null;
  $effect(() => {
    const key = shown;
    if (key === last) return;
    last = key;
    const at = key === null ? -1 : untrack(() => items.findIndex((item) => keyOf(item) === key));
    if (at >= 0) list?.scrollToIndex(at, { align: "nearest" });
  });
</script>

<!-- Of a long list only the rows in view are in the page. -->
<div class="overflow-y-auto {look}" role="list" aria-label={label}>
  {#if items.length}
    <Virtualizer bind:this={list} data={items} getKey={keyOf}>
      {#snippet children(item: T)}
        <div role="listitem">{@render row(item)}</div>
      {/snippet}
    </Virtualizer>
  {:else}{@render empty?.()}{/if}
</div>
