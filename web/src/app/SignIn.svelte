<script lang="ts">
  import Entry from "./Entry.svelte";
  import EntryField from "./EntryField.svelte";
  import { session } from "./session.svelte";

  let email = $state("");
  let password = $state("");
</script>

<Entry
  intro="Furniture layout plans that prove themselves."
  act="Sign in"
  enter={() => session.signIn(email, password)}
>
  <EntryField label="E-mail address" type="email" autocomplete="username" bind:value={email} />
  <EntryField label="Password" type="password" autocomplete="current-password" bind:value={password} />
</Entry>
