import type { UnitSystem } from "../app/api";

/** Writes what the server measured; what is typed is read by the server. Millimetres in. */
export function writeLength(mm: number, units: UnitSystem): string {
  return units === "Metric" ? groups(mm) : feetInches(mm);
}

function groups(mm: number): string {
  const rounded = Math.round(mm * 10) / 10;
  const [whole = "0", rest] = Math.abs(rounded).toString().split(".");
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, "\u00a0");
  return (rounded < 0 ? "-" : "") + grouped + (rest ? "." + rest : "");
}

function feetInches(mm: number): string {
  const sixteenths = Math.round((Math.abs(mm) / 25.4) * 16);
  const feet = Math.floor(sixteenths / 192);
  const inches = Math.floor((sixteenths % 192) / 16);
  let numerator = sixteenths % 16;
  let denominator = 16;
  while (numerator && numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  const fraction = numerator ? `${numerator}/${denominator}` : "";
  const inchText = [inches || !fraction ? String(inches) : "", fraction].filter(Boolean).join(" ") + '"';
  return (mm < 0 && sixteenths ? "-" : "") + (feet ? `${feet}' ${inchText}` : inchText);
}

/** A length that is told and not typed, as the sheet writes it: to the nearest millimetre or sixteenth. */
export const writeRound = (mm: number, units: UnitSystem): string =>
  writeLength(units === "Metric" ? Math.round(mm) : mm, units);

/**
 * A clear width by itself, rounded down as the server does it (WidthText): to whole millimetres or sixteenths of an inch, so
 * that what fails never reads as what holds. Beside the width it needs the server writes both.
 */
export function writeWidth(mm: number, units: UnitSystem): string {
  const step = units === "Metric" ? 1 : 25.4 / 16;
  const down = Math.floor((mm + 0.01) / step + 1e-9) * step;
  return units === "Metric" ? groups(down) : feetInches(down);
}

/** What areas are told and typed in, and how many square metres one is. */
export const squareUnit = (units: UnitSystem) =>
  units === "Metric" ? { name: "m²", metres: 1 } : { name: "ft²", metres: 0.3048 ** 2 };

/** An area that is looked at alone: to a hundredth. */
export function writeAreaAlone(squareMetres: number, units: UnitSystem): string {
  const { name, metres } = squareUnit(units);
  return `${(squareMetres / metres).toFixed(2)} ${name}`;
}

export function writeArea(squareMetres: number, units: UnitSystem): string {
  const { name, metres } = squareUnit(units);
  return `${(squareMetres / metres).toFixed(units === "Metric" ? 1 : 0)} ${name}`;
}
