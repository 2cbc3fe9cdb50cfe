import { tick, untrack } from "svelte";

/**
 * Where all of a field is selected and what it shows changes by itself, as the answer to an earlier figure does it, all of it is selected again, so that
 * what is typed next takes its place and is not put behind it.
 */
export function keepSelected(shown: () => string, field: () => HTMLInputElement | undefined) {
  $effect.pre(() => {
    shown();
    const input = untrack(field);
    if (!input || document.activeElement !== input || !input.value) return;
    if (input.selectionStart !== 0 || input.selectionEnd !== input.value.length) return;
    void tick().then(() => document.activeElement === input && input.select());
  });
}
