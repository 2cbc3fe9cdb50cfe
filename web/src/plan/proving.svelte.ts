import { api, type Finding, type LastIssued } from "../app/api";
import { grouped, since, type Grouping } from "./findingList";
import type { OpenPlan } from "./openPlan.svelte";

/** The list of findings as it is looked at. */
export class Proving {
  only = $state<Finding["kind"] | null>(null);
  by = $state<Grouping>("kind");
  issued = $state.raw<LastIssued | null>(null);

  constructor(private readonly plan: OpenPlan) {}

  get listed() {
    return grouped(
      this.plan.findings.filter((finding) => !this.only || finding.kind === this.only),
      this.by,
    );
  }

  get since() {
    return this.issued ? since(this.plan.findings, this.issued.findings) : null;
  }

  /** Shows the finding after, or before, the one that is shown; round the end of the list. */
  step(way: 1 | -1) {
    const ids = this.listed.map((one) => one.finding.id);
    if (!ids.length) return;
    const at = this.plan.finding ? ids.indexOf(this.plan.finding) : -1;
    const next = at < 0 ? (way > 0 ? 0 : ids.length - 1) : (at + way + ids.length) % ids.length;
    void this.plan.show(ids[next]!);
  }

  async load(schemeId: string) {
    const answer = await api
      .GET("/api/plans/{planId}/last-issued", {
        params: { path: { planId: this.plan.id }, query: { schemeId } },
      })
      .catch(() => null);
    if (schemeId === this.plan.schemeId) this.issued = answer?.data ?? null;
  }
}
