<script lang="ts">
  import Mark from "../parts/Mark.svelte";
  import { api, messageOf } from "./api";
  import { session } from "./session.svelte";

  let { token }: { token: string } = $props();

  let name = $state("");
  let email = $state("");
  let password = $state("");
  let problem = $state<string | null>(null);
  let busy = $state(false);

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const { error, response } = await api
      .POST("/api/first-account", { body: { token, name, email, password } })
      .catch(() => ({ error: undefined, response: null }));
    if (!response) problem = "The server cannot be reached.";
    else if (!response.ok) problem = messageOf(error);
    else {
      location.hash = "#/";
      problem = await session.signIn(email, password);
    }
    busy = false;
  }
</script>

<main class="flex h-full items-center justify-center">
  <form class="w-80 rounded-lg border border-edge bg-panel p-6" onsubmit={submit}>
    <h1 class="flex items-center gap-2 text-[18px] font-semibold"><Mark /> Wellsedes</h1>
    <p class="mt-1 text-soft">Nobody has an account here yet. Make the first one.</p>
    <label class="mt-5 block">
      <span class="text-soft">Your name, as changes and sheets are signed</span>
      <span class="field mt-1"
        ><input
          class="w-full outline-none"
          autocomplete="name"
          required
          maxlength="60"
          bind:value={name}
        /></span
      >
    </label>
    <label class="mt-3 block">
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
      <span class="text-soft">Password, at least 12 characters</span>
      <span class="field mt-1"
        ><input
          class="w-full outline-none"
          type="password"
          autocomplete="new-password"
          required
          minlength="12"
          bind:value={password}
        /></span
      >
    </label>
    {#if problem}<p class="mt-3 text-must" role="alert">{problem}</p>{/if}
    <button class="action-main mt-5 w-full" disabled={busy}>Make the account</button>
  </form>
</main>
