import { api, type FinishesView } from "../app/api";
import { Asked } from "./latestAnswer";

/** The finishes of the scheme that is looked at, as the server has drawn them: floors by level, and what the tints stand for. */
export class Finishing {
  private view = $state.raw<FinishesView>({ finishes: [], legends: {} });
  private readonly asked = new Asked();

  constructor(
    private readonly planId: string,
    /** Told when there are others to paint. */
    private readonly renewed: () => void,
  ) {}

  onLevel(levelId: string) {
    return this.view.finishes.filter((finish) => finish.levelId === levelId);
  }
  legendOf(levelId: string) {
    return this.view.legends[levelId] ?? [];
  }

  /** Asks anew; where the plan has no finishes there is nothing to ask. */
  async renew(schemeId: string, has: boolean) {
    const newest = this.asked.newest();
    if (!has) {
      if (Object.keys(this.view.legends).length) this.take({ finishes: [], legends: {} });
      return;
    }
    const { data } = await api
      .GET("/api/plans/{planId}/finishes", { params: { path: { planId: this.planId }, query: { schemeId } } })
      .catch(() => ({ data: undefined }));
    if (data && newest()) this.take(data);
  }

  private take(view: FinishesView) {
    this.view = view;
    this.renewed();
  }
}
