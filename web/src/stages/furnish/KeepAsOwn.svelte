<script lang="ts">
  import type { Item } from "../../app/api";
  import { readNumber } from "../../parts/readNumber";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { formIsRead } from "../../plan/forms";

  /** Keeps a placed item under the name of what was bought, for this plan and, when asked, for the project's others. */
  let {
    plan,
    item,
    kind,
    own,
  }: { plan: OpenPlan; item: Item; kind: { name: string; key: string }; own: boolean } = $props();

  let form = $state<HTMLFormElement>();
  let name = $state("");
  let code = $state("");
  let price = $state("");
  let everywhere = $state(false);
  let open = $state(false);
  let said = $state("");

  async function keep(e: SubmitEvent) {
    e.preventDefault();
    if (!(await formIsRead(plan, form))) return;
    const cost = readNumber(price, { whole: false, least: 0, mayBeEmpty: true });
    if (cost.problem) return void (said = `Price: ${cost.problem}`);
    const ownId = plan.newId("own");
    const done = await plan.do({
      do: "keep-as-own",
      itemId: item.id,
      ownId,
      name,
      supplierCode: code,
      price: cost.value ?? undefined,
      isFixed: false,
      everywhere,
    });
    if (!done) return;
    [name, code, price, said] = ["", "", "", ""];
    open = false;
  }
</script>

<details class="mt-2" bind:open>
  <summary class="cursor-pointer text-soft">Keep as an own item</summary>
  <form class="mt-1.5 space-y-1.5" bind:this={form} onsubmit={keep}>
    <label class="field">
      <span class="sr-only">Name of what was bought</span>
      <input
        class="w-full outline-none"
        placeholder="Name of what was bought"
        maxlength="60"
        required
        bind:value={name}
      />
    </label>
    <div class="flex gap-1.5">
      <label class="field min-w-0 flex-1">
        <span class="sr-only">Supplier's code</span>
        <input class="w-full min-w-0 outline-none" placeholder="Code" maxlength="40" bind:value={code} />
      </label>
      <label class="field min-w-0 flex-1">
        <span class="sr-only">Price</span>
        <input
          class="w-full min-w-0 outline-none"
          placeholder="Price"
          inputmode="decimal"
          bind:value={price}
        />
      </label>
    </div>
    <label class="flex items-center gap-2"
      ><input type="checkbox" bind:checked={everywhere} /> All alike in this scheme</label
    >
    <button class="action" type="submit">Keep</button>
  </form>
</details>
{#if own}
  <button class="action mt-1.5" onclick={() => (plan.placeable.edited = kind.key)}
    >Change the own item …</button
  >
{/if}
{#if said}<p class="mt-1 text-[12px] text-soft" role="status">{said}</p>{/if}
