<script lang="ts">
  import { onDestroy } from "svelte";
  import { backToPlan } from "./focus";
  import { keepSelected } from "./keepSelected.svelte";
  import { afterPress } from "./press";
  import { afterReading, mark, underway } from "./readFigure";
  import { readNumber } from "./readNumber";

  interface Props {
    label: string;
    value: number | null;
    /** Whether only whole numbers make sense. */
    whole?: boolean;
    least?: number;
    /** Whether it may be left empty, and what then stands there. */
    empty?: string;
    unit?: string;
    /** Whether its label is only read out: where a head says what it is. */
    bare?: boolean;
    disabled?: boolean;
    /** Whether it is told with every key: where what depends on it is only looked at, and nothing is changed by it. */
    live?: boolean;
    onvalue: (value: number | null) => void;
  }
  let {
    label,
    value,
    whole = true,
    least = 0,
    empty = "",
    unit = "",
    bare = false,
    disabled = false,
    live = false,
    onvalue,
  }: Props = $props();

  const id = $props.id();
  const written = $derived(value === null ? "" : `${Math.round(value * 100) / 100}`);
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

  const reading = (typed: string) => readNumber(typed, { whole, least, mayBeEmpty: empty !== "" });

  /** What it was before somebody began to type. */
  let before: number | null = null;
  function type(typed: string) {
    if (text === null) before = value;
    text = typed;
    if (!live) return;
    const read = reading(typed);
    if (!read.problem) onvalue(read.value);
  }

  function commit() {
    if (text === null) return;
    const typed = text.trim();
    if (typed === written) {
      text = null;
      return say("");
    }
    const read = reading(typed);
    say(read.problem);
    if (read.problem) return;
    text = null;
    afterReading(() => onvalue(read.value));
  }
</script>

<div class="flex items-center gap-2">
  <label class={bare ? "sr-only" : "w-[88px] shrink-0 text-soft"} for={id}>{label}</label>
  <span class="field min-w-0 flex-1" class:opacity-60={disabled}>
    <input
      bind:this={input}
      {id}
      data-figure
      class="font-figure w-full min-w-0 bg-transparent text-[14px] font-semibold outline-none"
      inputmode={whole ? "numeric" : "decimal"}
      placeholder={empty}
      {disabled}
      value={text ?? written}
      aria-invalid={problem !== ""}
      aria-describedby={problem ? `${id}-problem` : undefined}
      oninput={(e) => type(e.currentTarget.value)}
      onblur={() => underway(afterPress().then(commit))}
      onkeydown={(e) => {
        if (e.key === "Enter") {
          e.preventDefault();
          const again = backToPlan(e.currentTarget);
          commit();
          if (problem) again();
        }
        if (e.key === "Escape") {
          if (live && text !== null) onvalue(before);
          text = null;
          say("");
        }
        if (!(text === null && (e.ctrlKey || e.metaKey))) e.stopPropagation();
      }}
    />
    <span class="text-[11px] text-faint">{unit}</span>
  </span>
</div>
{#if problem}<p id="{id}-problem" class="mt-0.5 text-[12px] text-must" role="alert">{problem}</p>{/if}
