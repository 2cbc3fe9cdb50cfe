import { api, type UnitSystem } from "../app/api";

/** Has the server read a typed length (mm) or angle (degrees). */
export async function readFigure(text: string, units: UnitSystem, angle = false) {
  const { data } = await api.POST("/api/figures", { body: { text, units, angle } });
  return data ?? { value: null, problem: "The server cannot be reached.", position: 0 };
}
