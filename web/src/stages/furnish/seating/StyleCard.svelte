<script lang="ts">
  import { styleDrawings } from "./styleCards";

  /** A style of seating to be chosen, as it looks from above. */
  let {
    style,
    label,
    chosen,
    onchoose,
  }: { style: string; label: string; chosen: boolean; onchoose: () => void } = $props();
  const drawing = $derived(styleDrawings[style]);
</script>

<button
  class="flex flex-col items-center gap-0.5 rounded-md border px-0.5 py-1 text-center text-[10.5px] leading-tight {chosen
    ? 'border-moss bg-moss-wash font-semibold'
    : 'border-edge bg-white hover:border-moss'}"
  role="radio"
  aria-checked={chosen}
  onclick={onchoose}
>
  <svg width="48" height="36" viewBox="0 0 48 36" aria-hidden="true">
    {#if drawing}
      <path d={drawing.tables} fill="#fff" fill-rule="evenodd" stroke="#21302D" stroke-width="0.9" />
      {#each drawing.people as [x, y], i (i)}
        <circle cx={x} cy={y} r="1.5" fill="#5C6965" />
      {/each}
    {/if}
  </svg>
  {label}
</button>
