<script lang="ts">
  import { api, messageOf } from "./api";
  import Entry from "./Entry.svelte";
  import EntryField from "./EntryField.svelte";
  import { session } from "./session.svelte";

  let { token }: { token: string } = $props();

  let name = $state("");
  let email = $state("");
  let password = $state("");

  async function make(): Promise<string | null> {
    const { error, response } = await api
      .POST("/api/first-account", { body: { token, name, email, password } })
      .catch(() => ({ error: undefined, response: null }));
    if (!response) return "The server cannot be reached.";
    if (!response.ok) return messageOf(error);
    location.hash = "#/";
    return session.signIn(email, password);
  }
</script>

<Entry intro="Nobody has an account here yet. Make the first one." act="Make the account" enter={make}>
  <EntryField
    label="Your name, as changes and sheets are signed"
    autocomplete="name"
    maxlength={60}
    bind:value={name}
  />
  <EntryField label="E-mail address" type="email" autocomplete="username" bind:value={email} />
  <EntryField
    label="Password, at least 12 characters"
    type="password"
    autocomplete="new-password"
    minlength={12}
    bind:value={password}
  />
</Entry>
