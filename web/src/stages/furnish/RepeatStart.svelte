<script lang="ts">
  import type { RepeatFigures } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import type { Point } from "../../canvas/viewport";
  import { repeatFigures } from "../../plan/groups.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Repeats what is selected: its figures are then typed on the repeat. */
  let { plan, ids }: { plan: OpenPlan; ids: string[] } = $props();

  function repeat(figures: Partial<RepeatFigures>) {
    const id = plan.newId("repeat");
    void plan.groups.make(id, { do: "repeat-items", id, ids, figures: repeatFigures(figures) });
  }
  const alongPath = () =>
    tools.askPath("Press the corners of the path, the last one twice", (path: Point[]) =>
      repeat({ form: "Path", path }),
    );
  const alongWall = () =>
    tools.ask("Press the wall they are to stand along", 1, ([wallAt]) =>
      repeat({ form: "Path", wallAt: wallAt!, columnGap: 0 }),
    );
</script>

<h3 class="heading mt-4 mb-2">Repeat it</h3>
<div class="flex flex-wrap gap-1.5" role="group" aria-label="Repeat it">
  <button class="action" onclick={() => repeat({ form: "Rows", columns: 2 })}>In rows</button>
  <button class="action" onclick={() => repeat({ form: "Ring", columns: 6 })}>In a ring</button>
  <button class="action" onclick={alongPath}>Along a path</button>
  <button class="action" onclick={alongWall}>Along a wall</button>
</div>
