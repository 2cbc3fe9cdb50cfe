<script lang="ts">
  import { tick, untrack } from "svelte";
  import type { Spot } from "../app/api";
  import { readFigure } from "../parts/readFigure";
  import { writeLength } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { back, close, drawing, flip, isOfThing, lastOf, questionOf, standsLeft, takePoint } from "./chain";
  import { tools } from "./tools.svelte";

  interface Props {
    plan: OpenPlan;
    under: Spot | null;
    reach: number;
    reveal: (...places: Spot[]) => void;
  }
  let { plan, under, reach, reveal }: Props = $props();

  const chain = $derived(tools.tool.kind === "chain" ? tools.tool.chain : null);
  const asked = $derived(tools.tool.kind === "points" ? tools.tool.asked : null);
  const shown = $derived(tools.aim && chain && lastOf(chain) ? tools.aim : null);
  const ofThing = $derived(chain !== null && isOfThing(chain));
  /** Whether the plan is to be pressed before anything can be typed. */
  const waits = $derived(chain !== null && (chain.offsets ? !chain.corner : !chain.start));
  let length = $state("");
  let angle = $state("");
  /** Where the hand pointed last, and which way an arrow key said since. */
  let pointed = $state.raw<Spot | null>(null);
  let way = $state.raw<Spot | null>(null);
  let first = $state<HTMLInputElement>();
  let bar = $state<HTMLElement>();
  /** Whether the arrow keys have moved the cross. */
  let crossed = false;

  $effect(() => {
    if (under) [pointed, way] = [under, null];
  });

  // The field keeps the focus while a chain is drawn, so that a length can be typed at any moment; but who types an
  // angle goes on typing it when an earlier length is drawn.
  $effect(() => {
    void [chain?.start, chain?.sides.length, chain?.offsets, chain?.corner, chain?.through];
    void tick().then(() => {
      if (!(document.activeElement instanceof HTMLInputElement && bar?.contains(document.activeElement)))
        first?.focus({ preventScroll: true });
    });
    const last = chain && lastOf(chain);
    if (last) untrack(() => reveal(last));
  });
  // The next side as an arrow key says it, and where no hand points: that it can be seen before it is drawn.
  $effect(() => {
    const last = chain && lastOf(chain);
    if (last && shown && (way || !under)) untrack(() => reveal(last, shown.at));
  });

  async function figure(text: string, isAngle: boolean): Promise<number | undefined | null> {
    if (!text.trim()) return undefined;
    const read = await readFigure(text, plan.units, isAngle);
    if (read.value == null) {
      tools.said = read.problem ?? "This cannot be read.";
      return null;
    }
    return read.value;
  }

  /** A length and an angle as they were typed, and where the hand or an arrow key pointed then. */
  interface Typed {
    length: string;
    angle: string;
    pointed: Spot | null;
    way: Spot | null;
  }

  /** What Enter took goes one after another: the next figure may be typed while the last is still read and drawn. */
  function enter() {
    const typed: Typed = { length, angle, pointed, way };
    const id = chain?.id;
    length = angle = tools.said = "";
    first?.focus({ preventScroll: true });
    void drawing.take(async () => {
      // Meanwhile another was begun.
      if (chain?.id !== id) return true;
      const done = await take(typed);
      // What could not be taken is there to be put right, unless something else is being typed.
      if (!done && chain && !length && !angle) ({ length, angle, pointed, way } = typed);
      return done;
    });
  }

  async function take(typed: Typed): Promise<boolean> {
    if (!chain) return false;
    const [a, b] = [await figure(typed.length, false), await figure(typed.angle, !chain.offsets)];
    if (a === null || b === null || !chain) return false;
    if (chain.offsets) {
      if (!chain.corner) return refused("Press the corner to count from.");
      if (a === undefined && b === undefined)
        tools.chain({ start: chain.corner, offsets: false, corner: null });
      else tools.chain({ corner: { x: chain.corner.x + (a ?? 0), y: chain.corner.y + (b ?? 0) } });
      return true;
    }
    const last = lastOf(chain);
    if (!last) {
      if (a !== undefined || b !== undefined)
        return refused(ofThing ? "Press where it starts." : "Press where the first wall starts.");
      tools.chain({ start: { x: 0, y: 0 } });
      return true;
    }
    if (a === undefined && b === undefined) return close(plan);
    if (a !== undefined && a <= 0) return refused("A length must be more than 0.");
    const aim = await plan.aimNow({
      ...questionOf(plan, chain, towards(last, typed), reach),
      length: a,
      angle: b,
    });
    if (!aim) return refused("The server does not answer; press Enter again when the link is back.");
    const done = await takePoint(plan, aim, a !== undefined);
    if (done && chain && (pointed || way)) show(towards(lastOf(chain)!, { pointed, way }));
    return done;
  }

  function refused(why: string) {
    tools.said = why;
    return false;
  }

  /** Where a side from a corner is to go: the way an arrow key said, else to where the hand pointed. */
  const towards = (last: Spot, to: Pick<Typed, "pointed" | "way">): Spot =>
    to.way
      ? { x: last.x + to.way.x * 1000, y: last.y + to.way.y * 1000 }
      : (to.pointed ?? { x: last.x + 1000, y: last.y });

  function show(at: Spot) {
    plan.aim(questionOf(plan, chain!, at, way ? 0 : reach), (next) => {
      if (chain) tools.aim = next;
    });
  }

  const arrows: Record<string, Spot> = {
    ArrowRight: { x: 1, y: 0 },
    ArrowLeft: { x: -1, y: 0 },
    ArrowUp: { x: 0, y: 1 },
    ArrowDown: { x: 0, y: -1 },
  };

  function onkeydown(event: KeyboardEvent) {
    const said = arrows[event.key];
    if (event.altKey) return;
    if (said && waits) {
      const pixels = event.shiftKey ? 1 : 12;
      tools.moveCross(said.x * pixels, -said.y * pixels);
      crossed = true;
    } else if (event.key === "Enter" && waits && crossed && !length && !angle) {
      crossed = false;
      tools.pressCross();
    } else if (event.key === "Enter") enter();
    else if (event.key === "Escape") {
      if (length || angle) length = angle = tools.said = "";
      else end();
    } else if (event.key.toLowerCase() === "x" && chain?.what === "walls" && !event.ctrlKey && !event.metaKey)
      void drawing.take(() => flip(plan));
    else if (event.key === "Backspace" && !(event.currentTarget as HTMLInputElement).value)
      void drawing.take(() => back(plan));
    else if (said && chain && !event.shiftKey) {
      way = said;
      const last = lastOf(chain);
      if (last) show(towards(last, { pointed, way }));
    } else {
      event.stopPropagation();
      return;
    }
    event.stopPropagation();
    event.preventDefault();
  }

  /** Ends this drawing, after what was typed before. */
  function end() {
    const id = chain?.id;
    void drawing.take(() => {
      if (chain?.id === id) tools.rest();
      return true;
    });
  }
</script>

<div
  class="absolute inset-x-3 top-3 z-10 mx-auto flex w-fit flex-wrap items-center gap-x-2 gap-y-0.5 rounded-lg border border-edge bg-white px-3 py-1.5 shadow-sm"
  bind:this={bar}
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
      aria-invalid={tools.said !== ""}
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
    {#if chain.what === "walls" && chain.line !== "Centre"}
      <button class="pill" title="Key X" onclick={() => drawing.take(() => flip(plan))}
        >Wall to the {standsLeft(chain) ? "left" : "right"}</button
      >
    {/if}
    {#if !chain.start}
      <button
        class="pill"
        aria-pressed={offsets}
        onclick={() => tools.chain({ offsets: !offsets, corner: null })}>From a corner</button
      >
    {:else}
      {#if !ofThing}
        <button
          class="pill"
          aria-pressed={chain.curved}
          onclick={() => tools.chain({ curved: !chain.curved, through: null })}>Curve</button
        >
      {/if}
      <button
        class="pill"
        disabled={chain.sides.length < (chain.what === "line" ? 1 : 2)}
        onclick={() => drawing.take(() => close(plan))}>{chain.what === "line" ? "Done" : "Close"}</button
      >
      <button class="pill" onclick={() => drawing.take(() => back(plan))}>Back</button>
    {/if}
    <button class="pill" onclick={end}>{ofThing ? "Leave it" : "End"}</button>
    <span
      id="draw-said"
      class="max-w-[280px] text-[12px] {tools.said ? 'text-must' : 'text-soft'}"
      role="status"
    >
      {#if tools.said}{tools.said}
      {:else if offsets && !chain.corner}Press the corner to count from
      {:else if offsets}Type, Enter; Enter again starts here
      {:else if !chain.start}Press where it starts
      {:else if chain.curved && !chain.through}Press a point the curve passes
      {:else}{tools.aim?.caught ||
          (chain.what === "line" ? "Point and type; Enter ends it" : "Point and type; Enter closes")}{/if}
    </span>
  {:else}
    {#if asked?.ring || asked?.path}
      <button
        class="pill"
        disabled={asked.points.length < (asked.ring ? 3 : 2)}
        onclick={() => tools.endPoints()}>{asked.ring ? "Close it" : "End it here"}</button
      >
      <button
        class="pill"
        disabled={!asked.points.length}
        onclick={() =>
          (tools.tool = { kind: "points", asked: { ...asked!, points: asked!.points.slice(0, -1) } })}
        >Back</button
      >
    {/if}
    <span class="text-soft"
      >{asked?.ring || asked?.path
        ? `${asked.title} (${asked.points.length})`
        : asked
          ? asked.title + (asked.count > 1 ? ` (${asked.points.length + 1} of ${asked.count})` : "")
          : "Press where it goes"} · Esc ends</span
    >
  {/if}
</div>
