<script lang="ts">
  import { onDestroy } from "svelte";
  import { sendModel, type ModelRead, type OwnMesh } from "../../app/api";
  import Select from "../../parts/Select.svelte";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import OwnFields from "./OwnFields.svelte";

  /** Brings in a GLB model as an own item: its outline from above is drawn on the plan, and in space it is seen as it is. */
  let { plan, onkept }: { plan: OpenPlan; onkept: () => void } = $props();

  let form = $state<HTMLFormElement>();
  let file = $state<FileList>();
  let name = $state("");
  let kind = $state("Equipment");
  let up = $state("y");
  let front = $state("0");
  let read = $state.raw<ModelRead | null>(null);
  let width = $state(0);
  let height = $state(0);
  let said = $state("");
  let busy = $state(false);
  const depth = $derived(read ? (width * read.depth) / read.width : 0);
  let worker: Worker | null = null;
  onDestroy(() => worker?.terminate());

  async function look() {
    const model = file?.[0];
    read = null;
    if (!model) return;
    busy = true;
    const answer = await sendModel(plan.id, model, up === "z");
    busy = false;
    said = "message" in answer ? answer.message : "";
    if ("message" in answer) return;
    read = answer;
    [width, height] = [Math.round(answer.width), Math.round(answer.height)];
    name ||= model.name.replace(/\.glb$/i, "").slice(0, 60);
  }

  /** No more triangles than an own item keeps; null where that cannot be done. */
  function simpler(mesh: OwnMesh, most: number): Promise<OwnMesh | null> {
    worker?.terminate();
    worker = new Worker(new URL("./simplify.worker.ts", import.meta.url), {
      type: "module",
      name: "simplify",
    });
    return new Promise((done) => {
      worker!.onmessage = (e: MessageEvent<{ mesh: OwnMesh | null }>) => done(e.data.mesh);
      worker!.onerror = () => done(null);
      worker!.postMessage({ mesh, most });
    });
  }

  async function bring(e: SubmitEvent) {
    e.preventDefault();
    if (!read || !(await formIsRead(plan, form))) return;
    busy = true;
    const mesh = await simpler(read.mesh, read.mostTriangles);
    busy = false;
    if (!mesh) {
      said = "The model could not be made simpler here; make it simpler where it comes from.";
      return;
    }
    // The front is the side that is turned to the foot: a quarter turn makes its width its depth.
    const turned = front === "1" || front === "3";
    const size = turned ? { width: depth, depth: width, height } : { width, depth, height };
    const shape = { ...read.shape, front: Number(front), mesh };
    if (!(await plan.placeable.keepShape({ name, kind, size, shape, subKind: "Own models" }))) return;
    [name, said, read, file] = ["", "", null, undefined];
    onkept();
  }
</script>

<details>
  <summary class="cursor-pointer text-soft">From a model (GLB)</summary>
  <form class="mt-1.5 space-y-1.5" bind:this={form} onsubmit={bring}>
    <input
      type="file"
      class="w-full text-[12px]"
      accept=".glb,model/gltf-binary"
      aria-label="GLB model"
      required
      bind:files={file}
      onchange={look}
    />
    <Select
      label="What is up in the file"
      class="field w-full"
      options={[
        ["y", "Y is up, as the standard has it"],
        ["z", "Z is up"],
      ]}
      value={up}
      onvalue={(to) => {
        up = to;
        void look();
      }}
    />
    {#if busy}<p class="text-[12px] text-soft" role="status">Reading the model…</p>{/if}
    {#if read}
      <p class="text-[12px] text-soft">
        {read.triangles} triangles{read.triangles > read.mostTriangles
          ? `, of which ${read.mostTriangles} are kept`
          : ""}.
      </p>
      <OwnFields units={plan.units} bind:name bind:kind bind:width bind:height />
      <Select
        label="Which side is its front"
        class="field w-full"
        options={[
          ["0", "Front: towards who looks at the model"],
          ["1", "Front: its right side"],
          ["2", "Front: its back"],
          ["3", "Front: its left side"],
        ]}
        bind:value={front}
      />
      <button class="action" disabled={busy || !plan.canEdit}>Bring it in</button>
    {/if}
    {#if said}<p class="text-[12px] text-must" role="alert">{said}</p>{/if}
  </form>
</details>
