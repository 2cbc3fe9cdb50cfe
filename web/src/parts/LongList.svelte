<script lang="ts" generics="T">
  import { Virtualizer } from "virtua/svelte";
  import type { Snippet } from "svelte";

  interface Props {
    label: string;
    items: T[];
    keyOf: (item: T) => string;
    class?: string;
    row: Snippet<[T]>;
    /** Shown where there is nothing. */
    empty?: Snippet;
  }
  let { label, items, keyOf, class: look = "", row, empty }: Props = $props();
</script>

<!-- Of a long list only the rows in view are in the page. -->
<div class="overflow-y-auto {look}" role="list" aria-label={label}>
  {#if items.length}
    <Virtualizer data={items} getKey={keyOf}>
      {#snippet children(item: T)}
        <div role="listitem">{@render row(item)}</div>
      {/snippet}
    </Virtualizer>
  {:else}{@render empty?.()}{/if}
</div>
