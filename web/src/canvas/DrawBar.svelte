<script lang="ts">
  import { tick, untrack } from "svelte";
  import type { Spot } from "../app/api";
  import { readFigure } from "../parts/readFigure";
  import { writeLength } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { back, close, lastOf, questionOf, takePoint } from "./chain";
  import { tools } from "./tools.svelte";

  interface Props {
    plan: OpenPlan;
    under: Spot | null;
    reach: number;
    reveal: (p: Spot) => void;
  }
  let { plan, under, reach, reveal }: Props = $props();

  const chain = $derived(tools.tool.kind === "chain" ? tools.tool.chain : null);
  const asked = $derived(tools.tool.kind === "points" ? tools.tool.asked : null);
  let length = $state("");
  let angle = $state("");
  let problem = $state("");
  /** Where the hand pointed last, or which way an arrow key said. */
  let pointed = $state.raw<Spot | null>(null);
  let first = $state<HTMLInputElement>();

  $effect(() => {
    if (under) pointed = under;
  });

  // The field keeps the focus while a chain is drawn, so that a length can be typed at any moment.
  $effect(() => {
    void [chain?.start, chain?.sides.length, chain?.offsets, chain?.corner, chain?.through];
    void tick().then(() => first?.focus({ preventScroll: true }));
    const last = chain && lastOf(chain);
    if (last) untrack(() => reveal(last));
  });

  const shown = $derived(tools.aim && chain && lastOf(chain) ? tools.aim : null);

  async function figure(text: string, isAngle: boolean): Promise<number | undefined | null> {
    if (!text.trim()) return undefined;
    const read = await readFigure(text, plan.units, isAngle);
    if (read.value == null) {
      problem = read.problem ?? "This cannot be read.";
      return null;
    }
    return read.value;
  }

  /** What Enter took goes one after another: the next figure may be typed while the last is still read. */
  let taking: Promise<unknown> = Promise.resolve();
  function enter() {
    const typed = [length, angle] as const;
    length = angle = problem = "";
    taking = taking.then(() => take(...typed));
  }

  async function take(lengthTyped: string, angleTyped: string) {
    if (!chain) return;
    const [a, b] = [await figure(lengthTyped, false), await figure(angleTyped, !chain.offsets)];
    if (a === null || b === null) {
      if (!length && !angle) [length, angle] = [lengthTyped, angleTyped];
      return;
    }
    if (chain.offsets) {
      if (!chain.corner) problem = "Press the corner to count from.";
      else if (a === undefined && b === undefined)
        tools.chain({ start: chain.corner, offsets: false, corner: null });
      else tools.chain({ corner: { x: chain.corner.x + (a ?? 0), y: chain.corner.y + (b ?? 0) } });
      return;
    }
    const last = lastOf(chain);
    if (!last) {
      if (a === undefined && b === undefined) tools.chain({ start: { x: 0, y: 0 } });
      else problem = "Press where the first wall starts.";
      return;
    }
    if (a === undefined && b === undefined) return close(plan);
    if (a !== undefined && a <= 0) return void (problem = "A length must be more than 0.");
    const question = questionOf(plan, chain, pointed ?? { x: last.x + 1000, y: last.y }, reach);
    const aim = await plan.aimNow({ ...question, length: a, angle: b });
    if (!aim) return;
    await takePoint(plan, aim, a !== undefined);
    if (pointed && chain) plan.aim(questionOf(plan, chain, pointed, reach), (next) => (tools.aim = next));
  }

  const arrows: Record<string, Spot> = {
    ArrowRight: { x: 1, y: 0 },
    ArrowLeft: { x: -1, y: 0 },
    ArrowUp: { x: 0, y: 1 },
    ArrowDown: { x: 0, y: -1 },
  };

  function onkeydown(event: KeyboardEvent) {
    const last = chain && lastOf(chain);
    const way = arrows[event.key];
    if (event.altKey) return;
    if (event.key === "Enter") enter();
    else if (event.key === "Escape") {
      if (length || angle) length = angle = problem = "";
      else tools.rest();
    } else if (event.key === "Backspace" && !(event.currentTarget as HTMLInputElement).value) void back(plan);
    else if (way && last && !event.shiftKey) {
      pointed = { x: last.x + way.x * 1000, y: last.y + way.y * 1000 };
      plan.aim({ ...questionOf(plan, chain!, pointed, 0) }, (aim) => (tools.aim = aim));
    } else {
      event.stopPropagation();
      return;
    }
    event.stopPropagation();
    event.preventDefault();
  }
</script>

<div
  class="absolute top-3 left-1/2 z-10 flex -translate-x-1/2 flex-wrap items-center gap-2 rounded-lg border border-edge bg-white px-3 py-1.5 shadow-sm"
  role="group"
  aria-label="Drawing"
  onpointerdown={(e) => e.stopPropagation()}
>
  {#if chain}
    {@const offsets = chain.offsets}
    <label class="text-soft" for="draw-length">{offsets ? "Across" : "Length"}</label>
    <input
      id="draw-length"
      bind:this={first}
      bind:value={length}
      class="field font-figure w-24 font-semibold"
      placeholder={shown && !offsets ? writeLength(Math.round(shown.length), plan.units) : ""}
      aria-invalid={problem !== ""}
      aria-describedby="draw-said"
      autocomplete="off"
      {onkeydown}
    />
    <label class="text-soft" for="draw-angle">{offsets ? "Up" : "Angle"}</label>
    <input
      id="draw-angle"
      bind:value={angle}
      class="field font-figure w-16 font-semibold"
      placeholder={shown && !offsets ? `${Math.round((shown.angle ?? shown.heading) * 10) / 10}°` : ""}
      autocomplete="off"
      {onkeydown}
    />
    {#if !chain.start}
      <button
        class="pill"
        aria-pressed={offsets}
        onclick={() => tools.chain({ offsets: !offsets, corner: null })}>From a corner</button
      >
    {:else}
      <button
        class="pill"
        aria-pressed={chain.curved}
        onclick={() => tools.chain({ curved: !chain.curved, through: null })}>Curve</button
      >
      <button class="pill" disabled={chain.sides.length < 2} onclick={() => close(plan)}>Close</button>
      <button class="pill" onclick={() => back(plan)}>Back</button>
    {/if}
    <button class="pill" onclick={() => tools.rest()}>End</button>
    <span
      id="draw-said"
      class="max-w-[280px] text-[12px] {problem ? 'text-must' : 'text-soft'}"
      role="status"
    >
      {#if problem}{problem}
      {:else if offsets && !chain.corner}Press the corner to count from
      {:else if offsets}Type, Enter; Enter again starts here
      {:else if !chain.start}Press where it starts
      {:else if chain.curved && !chain.through}Press a point the curve passes
      {:else}{tools.aim?.caught || "Point and type; Enter closes"}{/if}
    </span>
  {:else}
    <span class="text-soft"
      >{asked ? `${asked.title} (${asked.points.length + 1} of ${asked.count})` : "Press where it goes"} · Esc ends</span
    >
  {/if}
</div>
