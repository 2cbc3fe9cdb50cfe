/** A drawing surface that writes down what is drawn on it, in pixels of the screen; for tests. */
export class RecordingSurface {
  readonly drawn: { what: string; style: string; width: number; dashed: boolean }[] = [];
  readonly written: { text: string; x: number; y: number; font: string }[] = [];
  readonly images: { x: number; y: number }[][] = [];
  fillStyle = "";
  strokeStyle = "";
  lineWidth = 1;
  font = "";
  textAlign = "";
  globalAlpha = 1;
  imageSmoothingEnabled = true;
  imageSmoothingQuality = "";
  private at: [number, number, number, number, number, number] = [1, 0, 0, 1, 0, 0];
  private readonly kept: [number, number, number, number, number, number][] = [];
  private dashes: number[] = [];

  save() {
    this.kept.push([...this.at]);
  }
  restore() {
    this.at = this.kept.pop() ?? this.at;
  }
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number) {
    this.at = [a, b, c, d, e, f];
  }
  translate(x: number, y: number) {
    const p = this.onScreen(x, y);
    this.at = [this.at[0], this.at[1], this.at[2], this.at[3], p.x, p.y];
  }
  rotate() {}
  setLineDash(dashes: number[]) {
    this.dashes = dashes;
  }
  fill() {
    this.drawn.push({ what: "fill", style: this.fillStyle, width: 0, dashed: false });
  }
  stroke() {
    const scale = Math.hypot(this.at[0], this.at[1]);
    this.drawn.push({
      what: "stroke",
      style: this.strokeStyle,
      width: this.lineWidth * scale,
      dashed: this.dashes.length > 0,
    });
  }
  strokeRect(x: number, y: number, w: number, h: number) {
    this.images.push([this.onScreen(x, y), this.onScreen(x + w, y + h)]);
  }
  fillText(text: string, x: number, y: number) {
    this.written.push({ text, ...this.onScreen(x, y), font: this.font });
  }
  drawImage(_: unknown, ...at: number[]) {
    const [x, y, w, h] = at.slice(-4) as [number, number, number, number];
    this.images.push([this.onScreen(x, y), this.onScreen(x + w, y + h)]);
  }
  private onScreen(x: number, y: number) {
    const [a, b, c, d, e, f] = this.at;
    return { x: a * x + c * y + e, y: b * x + d * y + f };
  }

  /** Typed as the surface that painters expect. */
  get surface() {
    return this as unknown as CanvasRenderingContext2D;
  }
}
