import { tick } from "svelte";

/**
 * To be called before what a field shows changes by itself, as the answer to an earlier figure does it: where all of it was selected, all of it is again,
 * so that what is typed next takes its place and is not put behind it.
 */
export function keepSelected(field: HTMLInputElement | undefined) {
  if (!field || document.activeElement !== field || !field.value) return;
  if (field.selectionStart !== 0 || field.selectionEnd !== field.value.length) return;
  void tick().then(() => document.activeElement === field && field.select());
}
