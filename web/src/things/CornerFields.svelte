<script lang="ts">
  import { Minus, Plus } from "@lucide/svelte";
  import type { Thing } from "../app/api";
  import LengthField from "../parts/LengthField.svelte";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { cornerAdded, cornerMoved, cornerRemoved, cornersOf } from "./corners";

  /** The corners of a drawn line or outline, to be typed; on the plan they are dragged. */
  let { plan, thing }: { plan: OpenPlan; thing: Thing } = $props();

  const corners = $derived(cornersOf(thing));
  const now = () => (plan.entities.get(thing.id) as unknown as Thing) ?? thing;
</script>

<details>
  <summary class="cursor-pointer text-soft">{thing.line ? "Points" : "Corners"} ({corners.length})</summary>
  <ol class="mt-1.5 space-y-1">
    {#each corners as corner, n (`${corner.ring}/${corner.index}`)}
      <li class="grid grid-cols-[1fr_1fr_24px_24px] items-center gap-1">
        <LengthField
          label="Corner {n + 1}, x"
          hideLabel
          value={corner.at.x}
          units={plan.units}
          onvalue={(x) =>
            plan.do(() => cornerMoved(now(), corner, { x, y: cornersOf(now())[n]?.at.y ?? corner.at.y }))}
        />
        <LengthField
          label="Corner {n + 1}, y"
          hideLabel
          value={corner.at.y}
          units={plan.units}
          onvalue={(y) =>
            plan.do(() => cornerMoved(now(), corner, { x: cornersOf(now())[n]?.at.x ?? corner.at.x, y }))}
        />
        <button
          class="grid size-6 place-items-center rounded hover:bg-moss-wash"
          aria-label="Add a corner after corner {n + 1}"
          title="A corner halfway to the next"
          onclick={() => plan.do(() => cornerAdded(now(), corner))}><Plus size={13} /></button
        >
        <button
          class="grid size-6 place-items-center rounded hover:bg-moss-wash"
          aria-label="Remove corner {n + 1}"
          onclick={() => plan.do(() => cornerRemoved(now(), corner))}><Minus size={13} /></button
        >
      </li>
    {/each}
  </ol>
</details>
