<script lang="ts">
  import { api, type Survey } from "../../app/api";
  import { newChain } from "../../canvas/chain";
  import { tools } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import { pressMeter } from "../../plan/meter";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  let surveys = $state.raw<Survey[]>([]);
  let chosen = $state("0");
  let greeting = $state("");
  let last = $state("");
  let playing = $state(false);

  void api.GET("/api/meter/surveys").then(({ data }) => (surveys = data ?? []));

  async function link() {
    greeting = (await plan.useMeter(Number(chosen))) ?? "";
  }

  async function press() {
    last = (await pressMeter(plan)) ?? "at its end";
  }

  const settled = () => new Promise((done) => setTimeout(done, 30));

  /** Plays the survey: each side's heading is pointed, its length comes from the meter into the field that has the focus. */
  async function play() {
    await link();
    const survey = surveys[Number(chosen)];
    if (!greeting || !survey) return;
    playing = true;
    const box = plan.shell?.box;
    const start = { x: box ? box[2]! + 1500 : 0, y: 0 };
    tools.tool = { kind: "chain", chain: newChain(plan, { wallType: "Stud 100", start }) };
    for (const side of survey.sides) {
      await settled();
      const field = document.getElementById("draw-length") as HTMLInputElement | null;
      const angle = document.getElementById("draw-angle") as HTMLInputElement | null;
      if (!field || !angle || tools.tool.kind !== "chain") break;
      const before = tools.tool.chain.sides.length;
      field.focus();
      // The heading as an arrow key would say it.
      const key = ["ArrowRight", "ArrowUp", "ArrowLeft", "ArrowDown"][Math.round(side.turn / 90) % 4]!;
      field.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
      last = (await pressMeter(plan)) ?? "";
      for (
        let wait = 0;
        wait < 100 && tools.tool.kind === "chain" && tools.tool.chain.sides.length === before;
        wait++
      )
        await settled();
    }
    playing = false;
  }
</script>

<h3 class="heading mt-5 mb-1">Distance meter (simulated)</h3>
<p class="text-[12px] text-soft">
  A stand-in that speaks like a hand-locked meter over a local socket. It measures nothing: it sends the
  lengths of an invented survey, one for each press of its button, into the field that has the cursor.
</p>
<div class="mt-2 space-y-1.5">
  <Choice label="Survey" bind:value={chosen} options={surveys.map((s, i) => [`${i}`, s.name] as const)} />
  <div class="flex gap-1.5">
    <button class="action flex-1" onclick={link}>Connect</button>
    <button
      class="action flex-1"
      disabled={!greeting}
      onpointerdown={(e) => e.preventDefault()}
      onclick={press}>Press its button</button
    >
  </div>
  <button class="action w-full" disabled={playing} onclick={play}>Play the survey into a room</button>
  {#if greeting}<p class="text-[12px] text-soft" role="status">
      {greeting}{last ? `. Last: ${last}` : ""}
    </p>{/if}
</div>
