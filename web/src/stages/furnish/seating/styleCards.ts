/** How each style looks from above, in a box of 48 x 36: tables as outlines, people as dots. */
export interface StyleDrawing {
  tables: string;
  people: readonly (readonly [number, number])[];
}

const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`;
const disc = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
const round = (x: number, y: number, r: number, n: number, from = 0, sweep = 360) =>
  Array.from({ length: n }, (_, i) => {
    const angle = ((from + (sweep * (i + 0.5)) / n) * Math.PI) / 180;
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)] as const;
  });
const grid = (xs: number[], ys: number[]) => ys.flatMap((y) => xs.map((x) => [x, y] as const));
const line = (from: number, to: number, n: number) =>
  Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1));

const rounds = grid([12, 36], [10, 27]);

export const styleDrawings: Record<string, StyleDrawing> = {
  Rounds: {
    tables: rounds.map(([x, y]) => disc(x, y, 4)).join(""),
    people: rounds.flatMap(([x, y]) => round(x, y, 6.6, 8)),
  },
  HalfRounds: {
    tables: rounds.map(([x, y]) => disc(x, y, 4)).join(""),
    people: rounds.flatMap(([x, y]) => round(x, y, 6.6, 5, -30, 240)),
  },
  LongTables: {
    tables: box(4, 8, 40, 4) + box(4, 24, 40, 4),
    people: grid(line(7, 41, 8), [5, 15, 21, 31]),
  },
  Rows: { tables: "", people: grid([...line(4, 20, 5), ...line(28, 44, 5)], line(6, 31, 5)) },
  CurvedRows: {
    tables: "",
    people: [13, 19, 25, 31].flatMap((r, i) => round(24, 0, r, 5 + 2 * i, 35, 110)),
  },
  Herringbone: {
    tables: "",
    people: [0, 1, 2, 3].flatMap((row) =>
      line(0, 14, 4).flatMap((x) => [
        [20 - x, 12 + 6 * row - x * 0.4] as const,
        [28 + x, 12 + 6 * row - x * 0.4] as const,
      ]),
    ),
  },
  Training: {
    tables: [7, 18, 29].map((y) => box(4, y - 3, 18, 3) + box(26, y - 3, 18, 3)).join(""),
    people: grid(
      [8, 18, 30, 40],
      [7, 18, 29].map((y) => y + 2.5),
    ),
  },
  Exam: {
    tables: grid([7, 19, 31, 43], [6, 17, 28])
      .map(([x, y]) => box(x - 3, y - 2, 6, 3.6))
      .join(""),
    people: grid([7, 19, 31, 43], [10, 21, 32]),
  },
  Boardroom: {
    tables: box(10, 12, 28, 12),
    people: [...grid(line(13, 35, 5), [9, 27]), [7, 18], [41, 18]],
  },
  HollowSquare: {
    tables: "M8 7h32v22h-32zM13 12v12h22v-12z",
    people: [...grid(line(12, 36, 5), [4, 32]), ...grid([5, 43], [12, 18, 24])],
  },
  UShape: {
    tables: "M8 6h5v18h22v-18h5v23h-32z",
    people: [...grid(line(12, 36, 5), [32]), ...grid([5, 43], [9, 15, 21, 27])],
  },
  Circle: { tables: "", people: [...round(24, 18, 8, 10), ...round(24, 18, 14.5, 18)] },
  HighTables: {
    tables: grid([10, 24, 38], [10, 27])
      .map(([x, y]) => disc(x, y, 2.6))
      .join(""),
    people: grid([10, 24, 38], [10, 27]).flatMap(([x, y]) => round(x, y, 5.4, 3, 30)),
  },
  Cafe: {
    tables: grid([10, 24, 38], [10, 27])
      .map(([x, y]) => box(x - 2.6, y - 2.6, 5.2, 5.2))
      .join(""),
    people: grid([10, 24, 38], [10, 27]).flatMap(([x, y], i) =>
      i % 2 ? [[x, y - 5] as const, [x, y + 5] as const] : round(x, y, 5, 4, 45),
    ),
  },
};
