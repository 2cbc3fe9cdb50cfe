import { describe, expect, it } from "vitest";
import type { Edit, EditDone } from "../app/api";
import { Outbox, type Said, type Waiting, type Wish } from "./outbox";

const done: Said = { done: { label: "" } as EditDone };
const refused: Said = { problem: { field: "edit", message: "no", canBeSure: false } };
const away: Said = { later: "the database cannot be reached" };
const settled = () => new Promise((go) => setTimeout(go));

/** An outbox whose server answers by hand, and whose pauses end by hand. */
function held(store: Map<string, string> | null = null) {
  const sent: { wish: Wish; answer: (said: Said) => void; fail: () => void }[] = [];
  const pauses: (() => void)[] = [];
  const told: Waiting[] = [];
  const settledAs: { said: Said; waited: boolean }[] = [];
  const kept = store && {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  };
  const outbox = new Outbox(
    (wish) => new Promise((answer, fail) => sent.push({ wish, answer, fail: () => fail(new Error()) })),
    (said, _, waited) => {
      settledAs.push({ said, waited });
      return "done" in said;
    },
    (waiting) => told.push(waiting),
    kept,
    "kept",
    () => new Promise((go) => pauses.push(go)),
  );
  return { outbox, sent, pauses, told, settledAs };
}
const wish = (n: number): Wish => ({
  request: `${n}`,
  what: { do: "remove", ids: [`${n}`] } as Edit,
  base: n,
  schemeId: "s",
});

describe("what a person does", () => {
  it("is sent one after another, in order, and says at every moment how much waits", async () => {
    const { outbox, sent, told } = held();
    const first = outbox.put(() => wish(1));
    const second = outbox.put(() => wish(2));
    await settled();
    expect(sent.map((s) => s.wish.request)).toEqual(["1"]);
    expect(told.at(-1)).toEqual({ count: 2, why: "" });
    sent[0]!.answer(done);
    expect(await first).toBe(true);
    await settled();
    expect(sent.map((s) => s.wish.request)).toEqual(["1", "2"]);
    sent[1]!.answer(refused);
    expect(await second).toBe(false);
    expect(told.at(-1)).toEqual({ count: 0, why: "" });
  });

  it("is made when its turn has come, with what came before it done", async () => {
    const { outbox, sent, settledAs } = held();
    const known: number[] = [];
    void outbox.put(() => wish(1));
    void outbox.put(() => {
      known.push(settledAs.length);
      return wish(2);
    });
    await settled();
    expect(known).toEqual([]);
    sent[0]!.answer(done);
    await settled();
    // What came of the first had been taken over.
    expect(known).toEqual([1]);
  });

  it("is kept while nobody answers, sent again under the same name, and wakes with the link", async () => {
    const { outbox, sent, pauses, told, settledAs } = held();
    const first = outbox.put(() => wish(1));
    await settled();
    sent[0]!.fail();
    await settled();
    expect(told.at(-1)).toEqual({ count: 1, why: "the server does not answer" });
    pauses[0]!();
    await settled();
    sent[1]!.answer(away);
    await settled();
    expect(told.at(-1)).toEqual({ count: 1, why: "the database cannot be reached" });
    outbox.wake();
    await settled();
    expect(sent.map((s) => s.wish.request)).toEqual(["1", "1", "1"]);
    sent[2]!.answer(done);
    expect(await first).toBe(true);
    expect(settledAs).toEqual([{ said: done, waited: true }]);
    expect(told.at(-1)).toEqual({ count: 0, why: "" });
  });

  it("is found again by a page that is loaded anew, and no longer once it is answered", async () => {
    const store = new Map<string, string>();
    const before = held(store);
    void before.outbox.put(() => wish(1));
    void before.outbox.put(() => wish(2));
    await settled();
    expect(store.size).toBe(0);
    before.sent[0]!.answer(away);
    await settled();
    expect((JSON.parse(store.get("kept")!) as Wish[]).map((w) => w.request)).toEqual(["1", "2"]);
    const after = held(store);
    after.outbox.restore();
    await settled();
    after.sent[0]!.answer(done);
    await settled();
    after.sent[1]!.answer(refused);
    await settled();
    expect(after.sent.map((s) => s.wish.request)).toEqual(["1", "2"]);
    expect(after.settledAs.map((s) => s.said)).toEqual([done, refused]);
    expect(store.size).toBe(0);
  });

  it("is refused in words when what it is about is gone, and the next goes on", async () => {
    const { outbox, sent, settledAs } = held();
    const first = outbox.put(() => {
      throw new Error("gone");
    });
    const second = outbox.put(() => wish(2));
    expect(await first).toBe(false);
    expect(settledAs[0]!.said).toMatchObject({
      problem: { message: expect.stringContaining("no longer there") },
    });
    await settled();
    sent[0]!.answer(done);
    expect(await second).toBe(true);
  });
});
