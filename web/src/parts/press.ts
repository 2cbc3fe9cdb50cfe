let down = false;
if (typeof window !== "undefined") {
  window.addEventListener("pointerdown", () => (down = true), true);
  for (const end of ["pointerup", "pointercancel"] as const)
    window.addEventListener(end, () => setTimeout(() => (down = false)), true);
}

/**
 * Settles when no pointer is held down: what is said beneath a field that a press leaves waits so long, so that what is pressed
 * does not move away beneath the hand.
 */
export function afterPress(): Promise<void> {
  if (!down) return Promise.resolve();
  return new Promise((done) => {
    const ended = () => setTimeout(done);
    for (const end of ["pointerup", "pointercancel"] as const)
      window.addEventListener(end, ended, { once: true, capture: true });
  });
}
