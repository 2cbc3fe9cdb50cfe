<script lang="ts">
  import type { ToolOf } from "../../canvas/tooling/tooling";
  import { tools, type SizeBought } from "../../canvas/tools.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { writeLength } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The size that was bought of what is being placed. */
  let { plan, tool }: { plan: OpenPlan; tool: ToolOf<"place"> } = $props();

  const usual = $derived(tool.entry.item.size as { width: number; depth: number; height: number });

  async function resize(change: SizeBought) {
    const { entry } = tool;
    const size = { ...tool.size, ...change };
    const form = await plan.placeable.formAt(entry.item.key, size);
    // Whoever has taken up something else meanwhile goes on with that.
    const now = tools.tool;
    if (now.kind === "place" && now.entry.item.key === entry.item.key)
      tools.tool = { ...now, size, form: form ?? now.form };
  }
  const hint = (side: "width" | "depth" | "height") =>
    tool.size[side] !== undefined && tool.size[side] !== usual[side]
      ? `Usual: ${writeLength(usual[side], plan.units)}`
      : "";
</script>

<section class="space-y-1.5 border-t border-edge bg-moss-wash p-3.5" aria-label="Size to place">
  <h3 class="font-semibold">{tool.entry.item.name}</h3>
  <LengthField
    label={tool.entry.round ? "Diameter" : "Width"}
    value={tool.size.width ?? usual.width}
    units={plan.units}
    hint={hint("width")}
    onvalue={(width) => resize({ width })}
  />
  {#if !tool.entry.round}
    <LengthField
      label="Depth"
      value={tool.size.depth ?? usual.depth}
      units={plan.units}
      hint={hint("depth")}
      onvalue={(depth) => resize({ depth })}
    />
  {/if}
  <LengthField
    label="Height"
    value={tool.size.height ?? usual.height}
    units={plan.units}
    hint={hint("height")}
    onvalue={(height) => resize({ height })}
  />
  <p class="text-[12px] text-soft">Type the size that was bought, then press on the plan.</p>
</section>
