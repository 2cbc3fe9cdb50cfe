<script lang="ts">
  import type { FillCandidate, Spot } from "../../../app/api";

  /** A candidate fill as a small plan: the room, what stands there anew. */
  let {
    candidate,
    outlines,
    width = 104,
    height = 72,
  }: {
    candidate: FillCandidate;
    outlines: readonly (readonly Spot[])[];
    width?: number;
    height?: number;
  } = $props();

  const box = $derived.by(() => {
    const all = outlines.flat() as { x: number; y: number }[];
    const [xs, ys] = [all.map((p) => p.x), all.map((p) => p.y)];
    const [minX, minY] = [Math.min(...xs), Math.min(...ys)];
    const [w, h] = [Math.max(...xs) - minX, Math.max(...ys) - minY];
    const side = Math.max(w / width, h / height) * 1.06;
    return {
      x: minX + w / 2 - (side * width) / 2,
      y: minY + h / 2 - (side * height) / 2,
      w: side * width,
      h: side * height,
      px: side,
    };
  });
  const walls = $derived(outlines.map((ring) => `M${ring.map((p) => `${p.x} ${p.y}`).join("L")}Z`).join(""));
</script>

<svg {width} {height} viewBox="{box.x} {-(box.y + box.h)} {box.w} {box.h}" aria-hidden="true">
  <g transform="scale(1 -1)" stroke-width={box.px * 0.6}>
    <path d={walls} fill="#FBFAF5" fill-rule="evenodd" stroke="#21302D" stroke-width={box.px * 1.2} />
    <path d={candidate.chairsDrawn} fill="#DAD6C8" stroke="none" />
    <path d={candidate.tablesDrawn} fill="#fff" stroke="#21302D" />
  </g>
</svg>
