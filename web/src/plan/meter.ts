import type { OpenPlan } from "./openPlan.svelte";

/** Puts a text into the field that has the focus, as if it had been typed, and takes it with Enter. False when no field has it. */
export function typeIntoFocus(text: string): boolean {
  const field = document.activeElement;
  if (!(field instanceof HTMLInputElement)) return false;
  field.value = text;
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
  return true;
}

/** Presses the simulated meter's button; the field with the focus takes the length. Answers the length, null at the end. */
export async function pressMeter(plan: OpenPlan): Promise<string | null> {
  const length = await plan.pressMeter();
  if (length === null) return null;
  if (!typeIntoFocus(length)) plan.notice = `The meter sent ${length}; put the cursor in a field to take it.`;
  return length;
}
