<script lang="ts">
  import Mark from "../parts/Mark.svelte";
  import { session } from "./session.svelte";

  let email = $state("");
  let password = $state("");
  let problem = $state<string | null>(null);
  let busy = $state(false);

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problem = await session.signIn(email, password);
    busy = false;
  }
</script>

<main class="flex h-full items-center justify-center">
  <form class="w-80 rounded-lg border border-edge bg-panel p-6" onsubmit={submit}>
    <h1 class="flex items-center gap-2 text-[18px] font-semibold"><Mark /> Wellsedes</h1>
    <p class="mt-1 text-soft">Furniture layout plans that prove themselves.</p>
    <label class="mt-5 block">
      <span class="text-soft">E-mail address</span>
      <span class="field mt-1"
        ><input
          class="w-full outline-none"
          type="email"
          autocomplete="username"
          required
          bind:value={email}
        /></span
      >
    </label>
    <label class="mt-3 block">
      <span class="text-soft">Password</span>
      <span class="field mt-1">
        <input
          class="w-full outline-none"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        />
      </span>
    </label>
    {#if problem}<p class="mt-3 text-must" role="alert">{problem}</p>{/if}
    <button class="action-main mt-5 w-full" disabled={busy}>Sign in</button>
  </form>
</main>
