<script lang="ts">
  import { onDestroy } from "svelte";
  import type { UnitSystem } from "../app/api";
  import { writeLength } from "../plan/figures";
  import { backToPlan } from "./focus";
  import { keepSelected } from "./keepSelected.svelte";
  import { afterPress } from "./press";
  import { mark, readFigure, underway } from "./readFigure";

  interface Props {
    label: string;
    value: number | null;
    units: UnitSystem;
    angle?: boolean;
    disabled?: boolean;
    hint?: string;
    hideLabel?: boolean;
    /** What stands there while it is empty. */
    empty?: string;
    /** How a length is written that is measured and not what was typed. */
    write?: (value: number, units: UnitSystem) => string;
    onvalue: (value: number) => void;
  }
  let {
    label,
    value,
    units,
    angle = false,
    disabled = false,
    hint = "",
    hideLabel = false,
    empty = "",
    write = writeLength,
    onvalue,
  }: Props = $props();

  const id = $props.id();
  const written = $derived(
    value === null ? "" : angle ? `${Math.round(value * 100) / 100}` : write(value, units),
  );
  let input = $state.raw<HTMLInputElement>();
  keepSelected(
    () => written,
    () => input,
  );
  let text = $state<string | null>(null);
  let problem = $state("");
  onDestroy(() => mark(id, null));

  function say(what: string) {
    problem = what;
    mark(id, what ? label : null);
  }

  /** What is being read: Enter and then leaving the field take it once. */
  let taking: string | null = null;

  async function commit() {
    const typed = text;
    if (typed === null || typed === taking) return;
    if (typed.trim() === written) {
      text = null;
      say("");
      return;
    }
    taking = typed;
    const read = await readFigure(typed, units, angle);
    taking = null;
    // Who goes on typing meanwhile goes on.
    const here = text === typed;
    if (read.value == null) {
      const marked = `${typed.slice(0, read.position)}▸${typed.slice(read.position)}`;
      if (here) say(`${read.problem} ${read.position > 0 ? `At ▸: ${marked}` : ""}`);
      return;
    }
    say("");
    if (here) text = null;
    onvalue(read.value);
  }
</script>

<div class="flex items-center gap-2">
  <label for={id} class={hideLabel ? "sr-only" : "w-[88px] shrink-0 text-soft"}>{label}</label>
  <span class="field min-w-0 flex-1" class:opacity-60={disabled}>
    <input
      bind:this={input}
      {id}
      data-figure
      class="font-figure w-full min-w-0 bg-transparent text-[14px] font-semibold outline-none"
      {disabled}
      placeholder={empty}
      value={text ?? written}
      aria-invalid={problem !== ""}
      aria-describedby={problem ? `${id}-problem` : undefined}
      oninput={(e) => (text = e.currentTarget.value)}
      onblur={() => underway(afterPress().then(commit))}
      onkeydown={(e) => {
        if (e.key === "Enter") {
          // Enter takes the figure; it does not send off the form the field stands in.
          e.preventDefault();
          const again = backToPlan(e.currentTarget);
          // What cannot be read is there to be put right.
          void underway(commit()).then(() => problem && again());
        }
        if (e.key === "Escape") {
          text = null;
          say("");
        }
        // With Alt it may be the distance meter's key; Ctrl+Z is the plan's where nothing has been typed here.
        if (!e.altKey && !(text === null && (e.ctrlKey || e.metaKey))) e.stopPropagation();
      }}
    />
    <span class="text-[11px] text-faint">{angle ? "°" : units === "Metric" ? "mm" : ""}</span>
  </span>
</div>
{#if hint && !problem}<p class="mt-0.5 pl-[96px] text-[11px] text-soft">{hint}</p>{/if}
{#if problem}<p id="{id}-problem" class="mt-0.5 text-[12px] text-must" role="alert">{problem}</p>{/if}
