import type { Problem } from "../app/api";
import { figuresRead } from "../parts/readFigure";
import type { OpenPlan } from "./openPlan.svelte";

/** Whether every figure of a form could be read, once all are; else it is said which could not, and nothing is to be done. */
export async function formIsRead(plan: OpenPlan, form: Element | null | undefined): Promise<boolean> {
  const unread = await figuresRead(form);
  if (!unread) return true;
  plan.refusal = {
    problem: {
      field: unread,
      message: `“${unread}” cannot be read. Put it right first; nothing was done.`,
    } as Problem,
    asSure: null,
  };
  return false;
}

/** Puts a field back to what it said when what was typed into it was refused: nothing is shown that does not hold. */
export async function orBack(field: HTMLInputElement, was: string, done: Promise<boolean>) {
  if (!(await done)) field.value = was;
}
