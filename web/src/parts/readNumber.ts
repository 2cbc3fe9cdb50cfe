/** Reads a typed number that is no length: a count, an area, a scale. A comma may stand for the point. */
export function readNumber(
  text: string,
  { whole, least, mayBeEmpty }: { whole: boolean; least: number; mayBeEmpty: boolean },
): { value: number | null; problem: string } {
  const typed = text.trim();
  const refused = (problem: string) => ({ value: null, problem });
  if (typed === "") return refused(mayBeEmpty ? "" : `Type a ${whole ? "whole number" : "number"}.`);
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(typed))
    return refused(`“${typed}” is no ${whole ? "whole number" : "number"}.`);
  const value = Number(typed.replace(",", "."));
  if (whole && !Number.isInteger(value)) return refused(`“${typed}” is no whole number.`);
  if (value < least) return refused(`It must be ${least} or more; ${typed} was typed.`);
  return { value, problem: "" };
}
