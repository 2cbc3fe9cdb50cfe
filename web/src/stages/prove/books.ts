import type { OpenPlan } from "../../plan/openPlan.svelte";

/** A book the plan is held against: the plan's copy of it, and which book that is. */
export interface ChosenBook {
  id: string;
  bookId: string;
  name: string;
}

export function bookOf(entity: { id: string; text: string }): ChosenBook {
  const { id, name } = JSON.parse(entity.text) as { id: string; name: string };
  return { id: entity.id, bookId: id, name };
}

export const chosenBooks = (plan: OpenPlan): ChosenBook[] =>
  (plan.all("rulebook") as unknown as { id: string; text: string }[]).map(bookOf);

/** What somebody typed for a figure of a rule: a number, yes or no, a list, else a text. */
export function figureOf(typed: string): unknown {
  const text = typed.trim();
  if (/^(yes|true)$/i.test(text)) return true;
  if (/^(no|false)$/i.test(text)) return false;
  if (/^-?[\d.]+$/.test(text)) return Number(text);
  if (/^[[{]/.test(text))
    try {
      return JSON.parse(text) as unknown;
    } catch {
      return text;
    }
  return text;
}

/** The text of a book as it is in the plan, laid out to be read. */
export function bookText(plan: OpenPlan, id: string): string {
  const { text } = plan.entities.get(id) as unknown as { text: string };
  return JSON.stringify(JSON.parse(text), null, 2);
}

export function rulesOf(plan: OpenPlan, id: string): { id: string; title: string; metric: string }[] {
  const { text } = plan.entities.get(id) as unknown as { text: string };
  return (JSON.parse(text) as { rules: { id: string; title: string; metric: string }[] }).rules;
}
