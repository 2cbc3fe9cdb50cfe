<script lang="ts">
  import Select from "../parts/Select.svelte";
  import { api, type ProjectView } from "./api";

  interface Props {
    project: ProjectView;
    /** Says what went wrong, if anything, and shows what there is now. */
    settle: (error: unknown) => Promise<void>;
  }
  let { project, settle }: Props = $props();

  type Role = ProjectView["role"];
  const roles: [Role, string][] = [
    ["Viewer", "viewer"],
    ["Editor", "editor"],
    ["Owner", "owner"],
  ];
  let added = $state<{ email: string; role: Role }>({ email: "", role: "Editor" });
  const path = $derived({ projectId: project.id });

  /** Somebody new, or in another role. */
  async function put(email: string, role: Role) {
    const { error } = await api.POST("/api/projects/{projectId}/members", {
      params: { path },
      body: { email, role },
    });
    await settle(error);
    return !error;
  }

  async function add(event: SubmitEvent) {
    event.preventDefault();
    if (await put(added.email, added.role)) added.email = "";
  }

  async function remove(personId: string) {
    const { error } = await api.DELETE("/api/projects/{projectId}/members/{personId}", {
      params: { path: { ...path, personId } },
    });
    await settle(error);
  }
</script>

<details class="w-full">
  <summary class="cursor-pointer text-soft">Members</summary>
  <ul class="mt-2 space-y-1">
    {#each project.members as person (person.personId)}
      <li class="flex items-center gap-2">
        <span class="w-44 truncate font-medium">{person.name}</span>
        <Select
          label="Role of {person.name}"
          options={roles}
          value={person.role}
          onvalue={(role) => put(person.email, role)}
        />
        <button
          class="text-[12px] text-soft underline hover:text-must"
          aria-label="Remove {person.name}"
          onclick={() => remove(person.personId)}>Remove</button
        >
      </li>
    {/each}
  </ul>
  <form class="mt-2 flex items-center gap-2" onsubmit={add}>
    <span class="field"
      ><input
        class="w-48 outline-none"
        type="email"
        placeholder="E-mail address"
        aria-label="E-mail of a member"
        required
        bind:value={added.email}
      /></span
    >
    <Select label="Role of the new member" options={roles} bind:value={added.role} />
    <button class="action">Add member</button>
  </form>
</details>
