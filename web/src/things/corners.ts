import { outOf } from "../canvas/frames";
import type { Edit, Entity, Spot, Thing } from "../app/api";

/** A corner of a thing's own line, or of a ring of its outline. */
export interface Corner {
  ring: number;
  index: number;
  /** On the level. */
  at: Spot;
}

interface Shape {
  rings: Spot[][];
  rooms: string[];
}

/** The rings of a thing's outline in its own frame, or its line as the one there is; a mark's shape is a word. */
const runsOf = (thing: Thing): Spot[][] =>
  Array.isArray(thing.line)
    ? [thing.line as Spot[]]
    : ((thing.shape as Partial<Shape> | null | undefined)?.rings ?? []);

/** Whether a thing was drawn corner by corner. */
export const isDrawn = (thing: Thing) => runsOf(thing).length > 0;

export const cornersOf = (thing: Thing): Corner[] =>
  runsOf(thing).flatMap((run, ring) => run.map((p, index) => ({ ring, index, at: outOf(thing, p) })));

/** The edit that leaves a thing's corners changed; what is given is on the level. */
function withRuns(thing: Thing, change: (runs: Spot[][]) => Spot[][]): Edit {
  const runs = change(runsOf(thing).map((run) => run.map((p) => outOf(thing, p))));
  const drawn = !thing.line ? { shape: { rings: runs, rooms: [] } } : { line: runs[0] };
  return { do: "put-thing", thing: { ...thing, x: 0, y: 0, rotation: 0, ...drawn } as unknown as Entity };
}

const each = (runs: Spot[][], ring: number, change: (run: Spot[]) => Spot[]) =>
  runs.map((run, i) => (i === ring ? change(run) : run));

export const cornerMoved = (thing: Thing, { ring, index }: Omit<Corner, "at">, to: Spot): Edit =>
  withRuns(thing, (runs) => each(runs, ring, (run) => run.map((p, i) => (i === index ? to : p))));

export const cornerRemoved = (thing: Thing, { ring, index }: Omit<Corner, "at">): Edit =>
  withRuns(thing, (runs) => each(runs, ring, (run) => run.filter((_, i) => i !== index)));

/** A new corner halfway to the next. */
export const cornerAdded = (thing: Thing, { ring, index }: Omit<Corner, "at">): Edit =>
  withRuns(thing, (runs) =>
    each(runs, ring, (run) => {
      const [a, b] = [run[index]!, run[(index + 1) % run.length]!];
      return run.toSpliced(index + 1, 0, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
    }),
  );
