<script lang="ts">
  import { api, messageOf, type CutoutRead, type Mending } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import Window from "../../parts/Window.svelte";
  import { writeLength } from "../../plan/figures";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { bitmapOf } from "../../canvas/ownPictures";
  import { tools } from "../../canvas/tools.svelte";
  import { kindNames } from "./catalogue";

  /** An own item from the picture of a product: its background goes, what is wrong with that is mended by drawing round it. */
  let { plan, open = $bindable(false) }: { plan: OpenPlan; open: boolean } = $props();

  interface Spot {
    x: number;
    y: number;
  }

  let form = $state<HTMLFormElement>();
  let picture = $state<ImageBitmap | null>(null);
  let file = "";
  let cut = $state.raw<CutoutRead | null>(null);
  let shade = $state.raw<ImageBitmap | null>(null);
  let mendings = $state<Mending[]>([]);
  let keep = $state(true);
  let clear = $state(true);
  let tolerance = $state(42);
  let ring = $state.raw<Spot[]>([]);
  let name = $state("");
  let kind = $state("Floors");
  let width = $state(1800);
  let height = $state(12);
  let said = $state("");
  let busy = $state(false);
  let canvas = $state<HTMLCanvasElement>();
  let asked = 0;

  async function choose(input: HTMLInputElement) {
    const chosen = input.files?.[0];
    if (!chosen) return;
    said = "";
    [cut, shade, mendings] = [null, null, []];
    try {
      picture = await createImageBitmap(chosen);
    } catch {
      picture = null;
      said = `“${chosen.name}” is no picture that can be shown: take a PNG, JPEG or WebP file.`;
      return;
    }
    if (chosen.size > 20 * 1024 * 1024) {
      said = "The picture is larger than 20 MB, the most that is taken for this.";
      return;
    }
    file = await new Promise((done) => {
      const reader = new FileReader();
      reader.onload = () => done(String(reader.result).split(",")[1]!);
      reader.readAsDataURL(chosen);
    });
    if (!name) name = chosen.name.replace(/\.[^.]*$/, "").slice(0, 60);
    await read();
  }

  /** Has it cut out anew; of several questions the newest answer holds. */
  async function read() {
    if (!file) return;
    const mine = ++asked;
    busy = true;
    const { data, error } = await api
      .POST("/api/plans/{planId}/cutouts", {
        params: { path: { planId: plan.id } },
        body: { file, clear, tolerance, mendings: $state.snapshot(mendings) as Mending[] },
      })
      .catch(() => ({ data: undefined, error: { message: "The server cannot be reached." } }));
    if (mine !== asked) return;
    busy = false;
    if (!data) {
      said = messageOf(error);
      return;
    }
    cut = data;
    said = data.note;
    shade = await bitmapOf(data.dropped, "image/png");
  }

  $effect(() => {
    const ctx = canvas?.getContext("2d");
    if (!canvas || !ctx || !picture) return;
    const k = Math.min(canvas.width / picture.width, canvas.height / picture.height);
    const [w, h] = [picture.width * k, picture.height * k];
    const [x, y] = [(canvas.width - w) / 2, (canvas.height - h) / 2];
    ctx.clearRect(0, 0, canvas.width, canvas.height);
    ctx.drawImage(picture, x, y, w, h);
    if (shade) ctx.drawImage(shade, x, y, w, h);
    if (ring.length > 1) {
      ctx.beginPath();
      ring.forEach((p, i) => ctx[i ? "lineTo" : "moveTo"](x + p.x * w, y + p.y * h));
      ctx.strokeStyle = keep ? "#2F5D4A" : "#A3173A";
      ctx.lineWidth = 2;
      ctx.stroke();
    }
  });

  function spot(e: PointerEvent): Spot {
    const box = canvas!.getBoundingClientRect();
    const k = Math.min(box.width / picture!.width, box.height / picture!.height);
    const [w, h] = [picture!.width * k, picture!.height * k];
    return {
      x: (e.clientX - box.left - (box.width - w) / 2) / w,
      y: (e.clientY - box.top - (box.height - h) / 2) / h,
    };
  }

  function begin(e: PointerEvent) {
    if (!picture || !cut) return;
    canvas!.setPointerCapture(e.pointerId);
    ring = [spot(e)];
  }
  function follow(e: PointerEvent) {
    if (!ring.length) return;
    const at = spot(e);
    const last = ring.at(-1)!;
    if (Math.hypot(at.x - last.x, at.y - last.y) > 0.008) ring = [...ring, at];
  }
  async function end() {
    const drawn = ring;
    ring = [];
    if (drawn.length < 3) return;
    // So many points are taken together; a hand draws with more than are needed.
    const thin = drawn.filter((_, i) => i % Math.ceil(drawn.length / 60) === 0);
    mendings = [...mendings, { ring: thin as never, keep }];
    await read();
  }

  async function bring(e: SubmitEvent) {
    e.preventDefault();
    if (!cut || !(await formIsRead(plan, form))) return;
    const size = { width, depth: Math.round(width * cut.depthShare * 10) / 10, height };
    const key = await plan.placeable.keepShape({
      name,
      kind,
      size,
      shape: cut.shape,
      subKind: "Own pictures",
    });
    if (!key) {
      said = plan.refusal?.problem.message ?? "It was not kept.";
      return;
    }
    open = false;
    const entry = plan.placeable.entry(key);
    if (entry) tools.tool = { kind: "place", entry, form: null, rotation: 0, size: {} };
    [picture, cut, shade, mendings, name, said, file] = [null, null, null, [], "", "", ""];
  }
</script>

<Window
  title="Own item from a picture"
  text="Seen from above. A plain background is taken away; draw round what it got wrong."
  wide
  bind:open
>
  <form class="mt-3 flex gap-4" bind:this={form} onsubmit={bring}>
    <div class="w-[430px] shrink-0">
      {#if picture}
        <canvas
          bind:this={canvas}
          width="430"
          height="330"
          class="touch-none rounded border border-edge bg-white {keep ? 'cursor-crosshair' : 'cursor-cell'}"
          aria-label="The picture; what is dropped is hatched"
          data-testid="cutout"
          onpointerdown={begin}
          onpointermove={follow}
          onpointerup={end}
        ></canvas>
        <div class="mt-1.5 flex flex-wrap items-center gap-1.5" role="group" aria-label="Drawing round">
          <button type="button" class="pill" aria-pressed={keep} onclick={() => (keep = true)}
            >Draw round what to keep</button
          >
          <button type="button" class="pill" aria-pressed={!keep} onclick={() => (keep = false)}
            >Draw round what to drop</button
          >
          <button
            type="button"
            class="pill"
            disabled={!mendings.length}
            onclick={() => {
              mendings = mendings.slice(0, -1);
              void read();
            }}>Back</button
          >
        </div>
      {:else}
        <div class="grid h-[330px] place-items-center rounded border border-dashed border-faint text-soft">
          Choose a PNG, JPEG or WebP file
        </div>
      {/if}
    </div>
    <div class="min-w-0 flex-1 space-y-1.5">
      <label class="action flex w-full cursor-pointer items-center justify-center focus-within:outline-2">
        {busy ? "Cutting out…" : picture ? "Another picture…" : "Choose a picture…"}
        <input
          class="sr-only"
          type="file"
          accept="image/png,image/jpeg,image/webp"
          aria-label="Picture of the product"
          onchange={(e) => choose(e.currentTarget)}
        />
      </label>
      <label class="flex items-center gap-2"
        ><input type="checkbox" bind:checked={clear} onchange={read} /> Take the background away</label
      >
      <label class="flex items-center gap-2">
        <span class="w-[88px] shrink-0 text-soft">How alike</span>
        <input
          type="range"
          class="min-w-0 flex-1"
          min="5"
          max="160"
          disabled={!clear}
          bind:value={tolerance}
          onchange={read}
        />
      </label>
      <label class="flex items-center gap-2">
        <span class="w-[88px] shrink-0 text-soft">Name</span>
        <input class="field min-w-0 flex-1" maxlength="60" required bind:value={name} />
      </label>
      <Choice label="Kind" options={Object.entries(kindNames)} bind:value={kind} />
      <LengthField label="True width" value={width} units={plan.units} onvalue={(v) => (width = v)} />
      <LengthField label="Height" value={height} units={plan.units} onvalue={(v) => (height = v)} />
      {#if cut}
        <p class="text-[12px] text-soft" data-testid="cutout-facts">
          {writeLength(Math.round(width), plan.units)} × {writeLength(
            Math.round(width * cut.depthShare),
            plan.units,
          )}; {Math.round(cut.kept * 100)} % of the picture is kept.
        </p>
      {/if}
      {#if said}<p class="text-[12px] text-must" role="alert">{said}</p>{/if}
      <button class="action-main" disabled={!cut || busy || !plan.canEdit}>Keep it and place it</button>
    </div>
  </form>
</Window>
