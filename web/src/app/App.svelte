<script lang="ts">
  import { Tooltip } from "bits-ui";
  import PlanPage from "../plan/PlanPage.svelte";
  import FirstAccount from "./FirstAccount.svelte";
  import Projects from "./Projects.svelte";
  import SignIn from "./SignIn.svelte";
  import { session } from "./session.svelte";

  const starting = session.start();
</script>

{#await starting}
  <p class="p-6 text-soft">Opening…</p>
{:then}
  <Tooltip.Provider delayDuration={500}>
    {#if !session.name && session.firstToken}
      <FirstAccount token={session.firstToken} />
    {:else if !session.name}
      <SignIn />
    {:else if session.planId}
      {#key session.planId}
        <PlanPage planId={session.planId} />
      {/key}
    {:else}
      <Projects />
    {/if}
  </Tooltip.Provider>
{:catch}
  <p class="p-6 text-must">The server cannot be reached. Load the page again in a moment.</p>
{/await}
