import type { CatalogueEntry, UnitSystem } from "../../app/api";
import { writeLength } from "../../plan/figures";

/** What the kinds of the catalogue are called. */
export const kindNames: Record<string, string> = {
  Tables: "Tables",
  Seats: "Chairs and seats",
  Desks: "Desks",
  Lounge: "Lounge",
  Storage: "Storage",
  Staging: "Stages and floors",
  Serving: "Bars and buffets",
  Screens: "Screens and plants",
  Panels: "Panels and cells",
  Beds: "Beds",
  Kitchen: "Kitchen units",
  Bathroom: "Bathroom",
  Appliances: "Appliances",
  Equipment: "Equipment",
  OnTables: "On tables",
  OnWalls: "On walls",
  Outdoors: "Outdoors",
  Care: "Care",
  Floors: "Rugs and mats",
  Figures: "People for scale",
};

/** Size and seats of an entry, in one line. */
export function factsOf({ item, round, madeOf }: CatalogueEntry, units: UnitSystem) {
  const { width, depth } = item.size as { width: number; depth: number };
  const size = round
    ? `Ø ${writeLength(width, units)}`
    : `${writeLength(width, units)} × ${writeLength(depth, units)}`;
  const p = item.seats ?? {};
  const seats = (p.around ?? 0) + (p.front ?? 0) + (p.back ?? 0) + (p.left ?? 0) + (p.right ?? 0);
  if (seats)
    return `${size} · ${seats}${item.mostSeats > seats ? ` to ${item.mostSeats}` : ""} ${item.mostSeats === 1 ? "seat" : "seats"}`;
  if (item.standAt) return `${size} · ${item.standAt} stand`;
  return madeOf ? `${size} · ${madeOf}` : size;
}

/** Dragging an entry onto the plan takes it along; letting go there puts it down. */
export function dragOntoPlan(event: PointerEvent, take: () => void) {
  if (event.button !== 0) return;
  const start = { x: event.clientX, y: event.clientY };
  const row = event.currentTarget as HTMLElement;
  const plan = () => document.querySelector("[data-testid=plan]");
  let taken = false;
  const move = (e: PointerEvent) => {
    if (!taken && Math.hypot(e.clientX - start.x, e.clientY - start.y) > 6) {
      take();
      taken = true;
    }
    if (taken && e.target !== plan())
      plan()?.dispatchEvent(
        new PointerEvent("pointermove", { bubbles: true, clientX: e.clientX, clientY: e.clientY }),
      );
  };
  const up = (e: PointerEvent) => {
    removeEventListener("pointermove", move);
    removeEventListener("pointerup", up);
    const host = plan();
    const over = document.elementFromPoint(e.clientX, e.clientY);
    if (taken && host && over && host.contains(over))
      host.dispatchEvent(
        new PointerEvent("pointerdown", {
          bubbles: true,
          clientX: e.clientX,
          clientY: e.clientY,
          button: 0,
          shiftKey: e.shiftKey,
        }),
      );
  };
  row.releasePointerCapture?.(event.pointerId);
  addEventListener("pointermove", move);
  addEventListener("pointerup", up);
}
