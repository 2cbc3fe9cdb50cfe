const planOf = () =>
  document.querySelector<HTMLElement>("[role=application]") ?? document.querySelector<HTMLElement>("main");

/** Gives the plan the focus: the next key is its. */
export const toPlan = () => planOf()?.focus({ preventScroll: true });

/**
 * After Enter in a field of a panel the plan has the focus again, at once: the next key is the plan's. The fields of a form
 * lead to its button instead. What comes back takes the focus to the field again, unless somebody has gone on elsewhere.
 */
export function backToPlan(field: HTMLElement): () => void {
  const plan = planOf();
  if (!plan || document.activeElement !== field || field.closest("[data-form], [role=dialog], form"))
    return () => {};
  plan.focus({ preventScroll: true });
  return () => {
    if (document.activeElement === plan) field.focus();
  };
}

/**
 * What has the focus may go or be disabled when its press is done; then the plan has it, and not the page. Returns what ends
 * the watching.
 */
export function keepFocus(): () => void {
  let last: Element | null = null;
  const remember = (event: FocusEvent) => (last = event.target as Element);
  const watch = new MutationObserver(() => {
    if (!last || document.activeElement !== document.body) return;
    if (last.isConnected && !last.matches(":disabled")) return;
    if (document.querySelector("[role=dialog], [role=alertdialog]")) return;
    last = null;
    toPlan();
  });
  document.addEventListener("focusin", remember);
  watch.observe(document.body, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ["disabled"],
  });
  return () => {
    document.removeEventListener("focusin", remember);
    watch.disconnect();
  };
}
