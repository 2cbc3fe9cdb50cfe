<script lang="ts">
  import { sendPicture, type Backing } from "../../app/api";
  import NumberField from "../../parts/NumberField.svelte";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  let page = $state(1);
  let form = $state<HTMLElement>();
  let busy = $state(false);
  let problem = $state("");
  let note = $state("");
  const backings = $derived(plan.here("backing") as Backing[]);

  async function take(file: File | undefined) {
    if (!file || !(await formIsRead(plan, form))) return;
    busy = true;
    problem = note = "";
    const taken = await sendPicture(plan.id, file, page);
    busy = false;
    if ("message" in taken) return void (problem = taken.message);
    note = [taken.pages > 1 ? `Page ${taken.page} of ${taken.pages}.` : "", taken.note].join(" ").trim();
    const id = plan.newId("backing");
    // Until it is set to scale it lies about ten metres wide beside the origin.
    const done = await plan.do({
      do: "put-backing",
      backing: {
        id,
        levelId: plan.levelId,
        pictureId: taken.id,
        name: taken.name,
        columns: taken.columns,
        rows: taken.rows,
        x: 0,
        y: 0,
        rotation: 0,
        scale: 10000 / taken.columns,
        cropLeft: 0,
        cropTop: 0,
        cropRight: 0,
        cropBottom: 0,
        fade: 0.5,
        locked: false,
        scaleFrom: "",
      },
    });
    if (done) plan.select([id]);
  }
</script>

<h3 class="heading mt-4 mb-2">Trace a picture</h3>
<div class="space-y-1.5" bind:this={form}>
  <NumberField label="PDF page" least={1} value={page} onvalue={(n) => (page = n!)} />
  <label class="action flex w-full cursor-pointer items-center justify-center focus-within:outline-2">
    {busy ? "Reading…" : "Choose a picture or PDF…"}
    <input
      class="sr-only"
      type="file"
      aria-label="Picture or PDF to trace"
      accept="image/png,image/jpeg,image/webp,application/pdf"
      disabled={busy}
      onchange={(e) => {
        void take(e.currentTarget.files?.[0]);
        e.currentTarget.value = "";
      }}
    />
  </label>
  {#if problem}<p class="text-[12px] text-must" role="alert">{problem}</p>{/if}
  {#if note}<p class="text-[12px] text-soft" role="status">{note}</p>{/if}
  <p class="text-[12px] text-soft">
    PNG, JPEG, WebP or a page of a PDF. It is kept with the plan as it came. Then set it to scale on the
    right, lock it, and draw over it.
  </p>
</div>
{#if backings.length}
  <h3 class="heading mt-4 mb-1">On this level</h3>
  <ul>
    {#each backings as backing (backing.id)}
      <li>
        <button
          class="min-h-6 w-full truncate rounded px-1.5 py-0.5 text-left hover:bg-moss-wash {plan.selected.has(
            backing.id,
          )
            ? 'bg-moss-wash font-semibold'
            : ''}"
          onclick={() => plan.select([backing.id])}>{backing.name}</button
        >
      </li>
    {/each}
  </ul>
{/if}
