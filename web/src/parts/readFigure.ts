import { api, type UnitSystem } from "../app/api";

const reading = new Set<Promise<unknown>>();

/** Marks a field's reading as under way until its promise settles. */
export function underway<T>(work: Promise<T>): Promise<T> {
  reading.add(work);
  void work.finally(() => reading.delete(work));
  return work;
}

/** Settles when every field that was left has been read: what is asked next uses the new figures. */
export async function figuresRead() {
  while (reading.size) await Promise.allSettled(reading);
}

/** Has the server read a typed length (mm) or angle (degrees). */
export async function readFigure(text: string, units: UnitSystem, angle = false) {
  const { data } = await api.POST("/api/figures", { body: { text, units, angle } });
  return data ?? { value: null, problem: "The server cannot be reached.", position: 0 };
}
