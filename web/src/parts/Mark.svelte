<script lang="ts">
  let { size = 22 }: { size?: number } = $props();
</script>

<svg
  width={size}
  height={size}
  viewBox="0 0 22 22"
  fill="none"
  stroke="#E0A878"
  stroke-width="2"
  aria-hidden="true"
>
  <path d="M7 20H2V2h18v18h-5" /><circle cx="11" cy="10" r="3.4" />
</svg>
