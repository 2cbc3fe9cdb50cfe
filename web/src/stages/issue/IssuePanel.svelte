<script lang="ts">
  import BackgroundWork from "../../parts/BackgroundWork.svelte";
  import Choice from "../../parts/Choice.svelte";
  import Select from "../../parts/Select.svelte";
  import { onMount } from "svelte";
  import {
    api,
    messageOf,
    type Level,
    type RegisterEntry,
    type SheetFacts,
    type SheetSettings,
  } from "../../app/api";
  import SheetPicturesFields from "./SheetPicturesFields.svelte";
  import TakenList from "./TakenList.svelte";
  import { Asked } from "../../plan/latestAnswer";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const sheet = $derived(plan.sheet);
  const scales = $derived(
    (plan.units === "Metric" ? plan.catalogue?.metric : plan.catalogue?.imperial) ?? [],
  );
  const factsAsked = new Asked();
  let facts = $state.raw<SheetFacts | null>(null);
  let register = $state.raw<RegisterEntry[]>([]);
  let issuedFor = $state("");
  let busy = $state(false);
  let problem = $state("");
  let typedScale = $state("");

  const path = $derived({ params: { path: { planId: plan.id } } });
  /** Changes the sheet that is looked at now, as it is when its turn comes. */
  function change(to: (now: SheetSettings) => Partial<SheetSettings>) {
    const id = sheet!.id;
    return plan.do(() => {
      const now = plan.entities.get(id) as SheetSettings;
      return { do: "set-sheet", sheet: { ...now, ...to(now) } };
    });
  }
  const set = (some: Partial<SheetSettings>) => change(() => some);
  const setTitle = (some: Partial<SheetSettings["titleBlock"]>) =>
    change((now) => ({ titleBlock: { ...now.titleBlock, ...some } }));
  const setShows = (some: Partial<SheetSettings["shows"]>) =>
    change((now) => ({ shows: { ...now.shows, ...some } }));

  const revisions = $derived(register.filter((entry) => entry.sheetId === sheet?.id));
  const nameOf = (s: SheetSettings) =>
    `${s.titleBlock.sheetNumber || "no number"} · ${(plan.entities.get(s.levelId) as Level | undefined)?.name ?? ""}`;

  /** Looking at a sheet is looking at its level. */
  function lookAt(id: string) {
    const chosen = plan.sheets.find((s) => s.id === id);
    if (!chosen) return;
    plan.lookAt(chosen.levelId);
    plan.sheetId = id;
  }
  async function addSheet() {
    const id = plan.newId("sheet");
    if (await plan.do({ do: "add-sheet", id, schemeId: plan.schemeId, levelId: plan.levelId })) lookAt(id);
  }

  onMount(loadRegister);
  $effect(() => {
    void plan.view?.revision;
    void register;
    const sheetId = sheet?.id;
    if (!sheetId) return;
    const newest = factsAsked.newest();
    void api
      .GET("/api/plans/{planId}/sheets/{sheetId}/facts", {
        params: { path: { planId: plan.id, sheetId } },
      })
      .then(({ data }) => data && newest() && (facts = data))
      .catch(() => {});
  });

  async function loadRegister() {
    const { data } = await api.GET("/api/plans/{planId}/register", path);
    if (data) register = data;
  }

  async function issue() {
    busy = true;
    try {
      const { error } = await api.POST("/api/plans/{planId}/sheets/{sheetId}/revisions", {
        params: { path: { planId: plan.id, sheetId: sheet!.id } },
        body: { for: issuedFor },
      });
      problem = error ? messageOf(error) : "";
      if (!error) issuedFor = "";
      await loadRegister();
    } catch {
      problem = "The server does not answer. Look at the register when it does: it may have been issued.";
    }
    busy = false;
  }

  function setTyped() {
    const ratio = Number(typedScale.replace(/^1\s*:\s*/, ""));
    if (ratio >= 1 && ratio <= 10000) {
      void set({ scale: ratio });
      typedScale = "";
      problem = "";
    } else problem = `"${typedScale}" is no scale; write it like 1:60.`;
  }

  const fields: [keyof SheetSettings["titleBlock"], string, number][] = [
    ["sheetNumber", "Sheet no.", 16],
    ["title", "Title", 60],
    ["supplementaryTitle", "Supplementary title", 60],
    ["legalOwner", "Owner", 60],
    ["creator", "Drawn by", 20],
    ["approver", "Approved by", 20],
    ["documentType", "Type", 30],
  ];
  const shows: [keyof SheetSettings["shows"], string][] = [
    ["roomNames", "Room names"],
    ["labels", "Table numbers"],
    ["dimensions", "Dimensions"],
    ["walkway", "Walkway"],
    ["schedule", "Schedule"],
    ["notes", "Notes"],
    ["north", "North"],
  ];
  const files: [string, string][] = [
    ["pdf", "PDF"],
    ["svg", "SVG"],
    ["png", "PNG"],
    ["csv", "CSV schedule"],
  ];
  const scaleOptions = $derived<[string, string][]>([
    ["fits", `Largest that fits${facts && sheet?.scale == null ? `: ${facts.scaleName}` : ""}`],
    ...(sheet?.scale != null && !scales.some((s) => s.ratio === sheet.scale)
      ? [[`${sheet.scale}`, `1:${sheet.scale}`] as [string, string]]
      : []),
    ...scales.map((s): [string, string] => [`${s.ratio}`, `${s.name}${s.standard ? "" : " (customary)"}`]),
  ]);
</script>

<div class="min-h-0 flex-1 overflow-y-auto p-3.5">
  <h2 class="text-[15px] font-semibold">Issue</h2>
  {#if sheet}
    <h3 class="heading mt-3 mb-2">Sheet</h3>
    <Select
      label="Sheet"
      class="field mb-1.5 w-full"
      options={plan.sheets.map((one) => [one.id, nameOf(one)])}
      value={sheet.id}
      onvalue={lookAt}
    />
    <button class="action mb-2 w-full" disabled={!plan.canEdit} onclick={addSheet}
      >New sheet of {plan.level?.name ?? "this level"}</button
    >
    {#if sheet.levelId !== plan.levelId}
      <p class="mb-1.5 text-[12px] text-soft">
        {plan.level?.name} has no sheet yet; this is the one of
        {(plan.entities.get(sheet.levelId) as Level | undefined)?.name}.
      </p>
    {/if}
    <fieldset class="min-w-0 space-y-1.5" disabled={!plan.canEdit}>
      <div class="flex items-center gap-2">
        <span class="w-[40px] text-soft" aria-hidden="true">Paper</span>
        <Select
          label="Paper"
          class="field flex-1"
          options={(plan.catalogue?.papers ?? []).map((paper) => [paper.name, paper.name])}
          disabled={!plan.canEdit}
          value={sheet.paper}
          onvalue={(paper) => set({ paper })}
        />
        <Select
          label="Which way round"
          class="field w-[108px]"
          options={[
            ["landscape", "landscape"],
            ["portrait", "portrait"],
          ]}
          disabled={!plan.canEdit}
          value={sheet.landscape ? "landscape" : "portrait"}
          onvalue={(way) => set({ landscape: way === "landscape" })}
        />
      </div>
      <div class="flex items-center gap-2">
        <span class="w-[48px] text-soft" aria-hidden="true">Scale</span>
        <Select
          label="Scale"
          class="field flex-1"
          options={scaleOptions}
          disabled={!plan.canEdit}
          value={sheet.scale == null ? "fits" : `${sheet.scale}`}
          onvalue={(ratio) => set({ scale: ratio === "fits" ? null : Number(ratio) })}
        />
      </div>
      {#if plan.viewing.views.length}
        <Choice
          label="View"
          value={sheet.viewId ?? ""}
          options={[
            ["", "everything is drawn"],
            ...plan.viewing.views.map((view) => [view.id, view.name] as const),
          ]}
          onvalue={(viewId) => set({ viewId })}
        />
      {/if}
      <div class="flex items-center gap-2">
        <label class="w-[88px] text-soft" for="other-scale">Another</label>
        <span class="field flex-1">
          <input
            id="other-scale"
            class="w-full outline-none"
            placeholder="1:60"
            bind:value={typedScale}
            onkeydown={(e) => e.key === "Enter" && setTyped()}
          />
        </span>
      </div>
      {#each fields as [field, name, most] (field)}
        <div class="flex items-center gap-2">
          <label class="w-[88px] shrink-0 text-soft" for="sheet-{field}">{name}</label>
          <span class="field min-w-0 flex-1">
            <input
              id="sheet-{field}"
              class="w-full min-w-0 outline-none"
              maxlength={most}
              value={sheet.titleBlock[field]}
              onchange={(e) => setTitle({ [field]: e.currentTarget.value })}
            />
          </span>
        </div>
      {/each}
      <label class="block text-soft" for="notes">Notes, one a line</label>
      <textarea
        id="notes"
        class="w-full rounded-md border border-edge bg-white p-2 outline-none"
        rows="3"
        value={sheet.notes}
        onchange={(e) => set({ notes: e.currentTarget.value })}></textarea>
    </fieldset>
    {#if facts && !facts.fits}
      <p class="mt-2 rounded bg-must-wash p-2 text-must" role="alert">
        At {facts.scaleName} the plan does not fit {sheet.paper}. Choose a larger paper or a smaller scale.
      </p>
    {/if}
    <h3 class="heading mt-4 mb-2">Show</h3>
    <div class="flex flex-wrap gap-1.5">
      {#each shows as [field, name] (field)}
        <button
          class="rounded-md border px-2 py-1 font-medium {sheet.shows[field]
            ? 'border-moss bg-moss-wash'
            : 'border-edge bg-white'}"
          aria-pressed={!!sheet.shows[field]}
          disabled={!plan.canEdit}
          onclick={() => setShows({ [field]: !sheet.shows[field] })}>{name}</button
        >
      {/each}
    </div>
  {/if}
  <h3 class="heading mt-4 mb-2">Export as</h3>
  <div class="flex flex-wrap gap-1.5">
    {#each files as [kind, name] (kind)}<a
        class="action"
        href="/api/plans/{plan.id}/sheets/{sheet?.id}/draft.{kind}"
        download={kind === "png" ? "sheet.png" : undefined}>{name}</a
      >{/each}
    <a class="action" href="/api/plans/{plan.id}/file">Plan file</a>
  </div>
  <h3 class="heading mt-4">Proving report</h3>
  <div class="mt-1.5 flex flex-wrap gap-1.5">
    {#each ["pdf", "csv", "json"] as kind (kind)}
      <a
        class="action"
        download
        aria-label="Proving report as {kind.toUpperCase()}"
        href="/api/plans/{plan.id}/report.{kind}?schemeId={plan.schemeId}">{kind.toUpperCase()}</a
      >
    {/each}
  </div>
  {#key plan.schemeId}
    <BackgroundWork
      {plan}
      order={() => ({ kind: "sheet-set", schemeId: plan.schemeId })}
      label="All sheets of the scheme as one PDF"
      file="The set as PDF"
    />
  {/key}
  {#if sheet}<SheetPicturesFields {plan} {sheet} onset={(pictures) => set({ pictures })} />{/if}
  <h3 class="heading mt-4 mb-1">Register</h3>
  <ul aria-label="Register">
    {#each revisions as entry (entry.letter)}
      <li class="flex items-baseline gap-2 border-b border-edge py-1.5">
        <span class="w-5 font-semibold">{entry.letter}</span>
        <span class="min-w-0 flex-1">
          {new Date(entry.issuedAt).toLocaleDateString("en-GB", { day: "numeric", month: "short" })} · {entry.paper}
          {entry.scaleName}{plan.levels.length > 1 && entry.levelName ? ` · ${entry.levelName}` : ""}
          <span class="block truncate text-soft">{entry.for || "for nobody named"} · {entry.issuedBy}</span>
        </span>
        <a
          class="text-moss underline"
          href="/api/plans/{plan.id}/sheets/{entry.sheetId}/revisions/{entry.letter}.pdf">PDF</a
        >
        <a
          class="text-moss underline"
          href="/api/plans/{plan.id}/sheets/{entry.sheetId}/revisions/{entry.letter}.csv">CSV</a
        >
      </li>
    {:else}
      <li class="text-soft">Nothing issued yet.</li>
    {/each}
  </ul>
  <TakenList {plan} />
  {#if problem}<p class="mt-2 text-must" role="alert">{problem}</p>{/if}
</div>
{#if plan.canEdit}
  <div class="space-y-2 border-t border-edge p-3.5">
    <span class="field"
      ><input
        class="w-full outline-none"
        placeholder="Issued for, e.g. caterer"
        aria-label="Issued for"
        maxlength="80"
        bind:value={issuedFor}
      /></span
    >
    <button class="action-main w-full" disabled={busy || !facts?.fits} onclick={issue}
      >Issue revision {facts?.nextLetter ?? ""}</button
    >
  </div>
{/if}
