import type { Edit, Thing } from "../../app/api";
import { cornerMoved, type Corner } from "../../things/corners";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Drags a corner of a drawn line or outline; what that would be is asked while the hand moves. */
export class DragCorner implements Gesture {
  readonly kind = "corner";
  readonly holds = nothing;

  private constructor(
    private readonly table: Table,
    private readonly id: string,
    private readonly corner: Corner,
    private readonly edit: Edit | null,
  ) {}

  static begin(table: Table, id: string, corner: Corner): Gesture {
    return new DragCorner(table, id, corner, null);
  }

  move(hand: Hand): Gesture {
    const { plan, view } = this.table;
    const thing = plan.entities.get(this.id) as unknown as Thing | undefined;
    if (!thing) return this;
    const edit = cornerMoved(thing, this.corner, view().toLevel(hand.at));
    plan.ask(edit);
    return new DragCorner(this.table, this.id, this.corner, edit);
  }

  up(hand: Hand) {
    const { plan, view } = this.table;
    const { edit } = this;
    if (!edit) return;
    const to = view().toLevel(hand.at);
    const put = async () => {
      const aim = hand.free
        ? null
        : await plan.aimNow({ levelId: plan.levelId, at: to, catch: this.table.catchDistance() });
      return plan.do(() => {
        const thing = plan.entities.get(this.id) as unknown as Thing | undefined;
        return thing ? cornerMoved(thing, this.corner, aim?.at ?? to) : edit;
      });
    };
    plan.showUntil(put());
  }

  cancel() {
    this.table.plan.stopAsking();
  }
}
