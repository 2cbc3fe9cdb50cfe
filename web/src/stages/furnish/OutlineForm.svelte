<script lang="ts">
  import { sendOutline } from "../../app/api";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import OwnFields from "./OwnFields.svelte";

  /** Brings in an SVG picture, seen from above, as an own item at its true size. */
  let { plan, onkept }: { plan: OpenPlan; onkept: () => void } = $props();

  let form = $state<HTMLFormElement>();
  let file = $state<FileList>();
  let name = $state("");
  let kind = $state("Equipment");
  let width = $state(1000);
  let height = $state(750);
  let said = $state("");
  let busy = $state(false);

  async function bring(e: SubmitEvent) {
    e.preventDefault();
    const picture = file?.[0];
    if (!picture || !(await formIsRead(plan, form))) return;
    busy = true;
    const read = await sendOutline(plan.id, picture, width, height);
    busy = false;
    if ("message" in read) {
      said = read.message;
      return;
    }
    const size = { width: read.width, depth: read.depth, height: read.height };
    if (!(await plan.placeable.keepShape({ name, kind, size, shape: read.shape, subKind: "Own outlines" })))
      return;
    [name, said] = ["", ""];
    onkept();
  }
</script>

<details>
  <summary class="cursor-pointer text-soft">From a drawing (SVG)</summary>
  <form class="mt-1.5 space-y-1.5" bind:this={form} onsubmit={bring}>
    <input
      type="file"
      class="w-full text-[12px]"
      accept=".svg,image/svg+xml"
      aria-label="SVG picture, seen from above"
      required
      bind:files={file}
    />
    <OwnFields units={plan.units} bind:name bind:kind bind:width bind:height />
    <button class="action" disabled={busy || !plan.canEdit}>Bring it in</button>
    {#if said}<p class="text-[12px] text-must" role="alert">{said}</p>{/if}
  </form>
</details>
