<script lang="ts">
  import type { FormView } from "../app/api";

  let { form, picture, size = 44 }: { form: FormView; picture?: string; size?: number } = $props();

  type Spot = { x: number; y: number };
  const place = $derived(form.picture as { corner: Spot; across: Spot; down: Spot } | null | undefined);

  const box = $derived(form.box as [number, number, number, number]);
  const side = $derived(Math.max(box[2] - box[0], box[3] - box[1]) * 1.06);
  const line = $derived(side / size);
  const paint: Record<string, [string, string]> = {
    Body: ["#fff", "#21302D"],
    Seat: ["#fff", "#21302D"],
    Back: ["#21302D", "none"],
    Solid: ["#21302D", "none"],
    Front: ["#B9B5A6", "none"],
    Use: ["none", "#B5B2A5"],
    Detail: ["none", "#B9B5A6"],
    Line: ["none", "#21302D"],
    Dash: ["none", "#5C6965"],
  };
</script>

<svg
  width={size}
  height={size}
  viewBox="{(box[0] + box[2] - side) / 2} {-(box[1] + box[3] + side) / 2} {side} {side}"
  aria-hidden="true"
>
  <g transform="scale(1 -1)" stroke-width={line}>
    {#each form.symbol as part, i (i)}
      <path d={part.path} fill={paint[part.role]?.[0]} stroke={paint[part.role]?.[1]} />
    {/each}
    {#if place && picture}
      <image
        width="1"
        height="1"
        preserveAspectRatio="none"
        transform="matrix({place.across.x} {place.across.y} {place.down.x} {place.down.y} {place.corner
          .x} {place.corner.y})"
        href="data:image/webp;base64,{picture}"
      />
    {/if}
  </g>
</svg>
