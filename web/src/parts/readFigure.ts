import { api, type UnitSystem } from "../app/api";

const reading = new Set<Promise<unknown>>();

/** Marks a field's reading as under way until its promise settles. */
export function underway<T>(work: Promise<T>): Promise<T> {
  reading.add(work);
  void work.finally(() => reading.delete(work));
  return work;
}

/** Fields whose figure could not be read, by their ids, with what they are called. */
const marked = new Map<string, string>();

/** Marks a field whose figure cannot be read, or takes the mark off. */
export function mark(id: string, label: string | null) {
  if (label === null) marked.delete(id);
  else marked.set(id, label);
}

/**
 * Settles when every field that was left has been read: what is asked next uses the new figures. Says which field of a form
 * could not be read, "" when all were: a form with such a field does nothing.
 */
export async function figuresRead(form?: Element | null): Promise<string> {
  while (reading.size) await Promise.allSettled(reading);
  for (const [id, label] of marked) if (!form || form.contains(document.getElementById(id))) return label;
  return "";
}

/** What was typed last and is still being read, if anything is. */
let last: Promise<unknown> | null = null;

/** An answer that does not fail, not before those that were asked for earlier: a width and then a distance from a corner are not the same the other way round. */
function inTurn<T>(answer: Promise<T>): Promise<T> {
  const mine = (last ?? Promise.resolve()).then(() => answer);
  last = mine;
  void mine.then(() => last === mine && (last = null));
  return mine;
}

/** Does something once all that was typed before it has been read: at once where nothing is being read. */
export function afterReading(what: () => void) {
  // A form that waits for its fields waits for this one too.
  if (last) void underway(inTurn(Promise.resolve()).then(what));
  else what();
}

/** Has the server read a typed length (mm) or angle (degrees); in the order in which they are asked for. */
export async function readFigure(text: string, units: UnitSystem, angle = false) {
  const { data } = await inTurn(
    api.POST("/api/figures", { body: { text, units, angle } }).catch(() => ({ data: undefined })),
  );
  return data ?? { value: null, problem: "The server cannot be reached.", position: 0 };
}
