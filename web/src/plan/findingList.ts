import type { Finding, LastIssued } from "../app/api";

/** What findings are put together by. */
export type Grouping = "kind" | "room" | "rule" | "thing";

/** The heading a finding stands under. */
export function headingOf(finding: Finding, by: Grouping): string {
  switch (by) {
    case "kind":
      return "";
    case "room":
      return finding.room || "Elsewhere";
    case "rule":
      return finding.kind === "Rule" ? finding.source.replace(/\. From memory;.*$/, "") : finding.source;
    case "thing":
      return finding.between[0] ?? finding.title;
  }
}

/** As they are listed: those under one heading together, headings in the order they are first met. */
export function grouped(findings: Finding[], by: Grouping): { finding: Finding; heading: string }[] {
  const groups = new Map<string, Finding[]>();
  for (const finding of findings) {
    const heading = headingOf(finding, by);
    const group = groups.get(heading);
    if (group) group.push(finding);
    else groups.set(heading, [finding]);
  }
  return [...groups].flatMap(([heading, some]) =>
    some.map((finding, i) => ({ finding, heading: i ? "" : heading })),
  );
}

/** What is new and what is cleared since a revision: by the ids of what was, and is, to be mended. */
export function since(now: Finding[], then: LastIssued["findings"]) {
  const before = new Map(then.map((one) => [one.id, one]));
  const open = new Set(now.filter((one) => !one.accepted).map((one) => one.id));
  return {
    isNew: new Set([...open].filter((id) => !before.get(id)?.isOpen && !isAdvice(before.get(id)))),
    cleared: then.filter((one) => (one.isOpen || isAdvice(one)) && !open.has(one.id)),
  };
}

const isAdvice = (one?: { weight: string }) => one !== undefined && one.weight !== "Must";
