import { describe, expect, it, vi } from "vitest";
import { backOff, Newest, untilDone } from "./live";

/** Answers in hand, to be let go one by one. */
function held() {
  const sent: { question: number; answer: (text: string) => void; fail: () => void }[] = [];
  const send = (question: number) =>
    new Promise<string>((answer, fail) => sent.push({ question, answer, fail: () => fail(new Error()) }));
  return { sent, newest: new Newest<number, string>(send) };
}
const settled = () => new Promise((done) => setTimeout(done));

describe("questions while the hand moves", () => {
  it("go one at a time, and of those that waited only the newest", async () => {
    const { sent, newest } = held();
    const answers: string[] = [];
    for (const question of [1, 2, 3, 4]) newest.ask(question, (text) => answers.push(text));
    expect(sent.map((s) => s.question)).toEqual([1]);
    sent[0]!.answer("one");
    await settled();
    expect(sent.map((s) => s.question)).toEqual([1, 4]);
    sent[1]!.answer("four");
    await settled();
    expect(answers).toEqual(["one", "four"]);
  });
  it("are not sent any more once dropped", async () => {
    const { sent, newest } = held();
    newest.ask(1, () => {});
    newest.ask(2, () => expect.unreachable());
    newest.drop();
    sent[0]!.answer("one");
    await settled();
    expect(sent).toHaveLength(1);
  });
  it("go on after one that was not answered", async () => {
    const { sent, newest } = held();
    const answers: string[] = [];
    newest.ask(1, () => expect.unreachable());
    sent[0]!.fail();
    await settled();
    newest.ask(2, (text) => answers.push(text));
    sent[1]!.answer("two");
    await settled();
    expect(answers).toEqual(["two"]);
  });
});

describe("a link that fails", () => {
  it("is tried again, each time a little later, until it is there", async () => {
    vi.useFakeTimers();
    let tries = 0;
    let told = 0;
    const done = untilDone(
      async () => {
        if (++tries < 4) throw new Error("no link");
      },
      () => true,
      () => told++,
    );
    await vi.advanceTimersByTimeAsync(500);
    expect([tries, told]).toEqual([2, 2]);
    await vi.advanceTimersByTimeAsync(999);
    expect(tries).toBe(2);
    await vi.advanceTimersByTimeAsync(1 + 2000);
    await done;
    expect([tries, told]).toEqual([4, 3]);
    expect([0, 1, 2, 3, 4, 9].map(backOff)).toEqual([500, 1000, 2000, 4000, 5000, 5000]);
    vi.useRealTimers();
  });
  it("is not tried any more once the plan is closed", async () => {
    let tries = 0;
    await untilDone(
      async () => {
        tries++;
        throw new Error("no link");
      },
      () => tries < 1,
      () => {},
    );
    expect(tries).toBe(1);
  });
});
