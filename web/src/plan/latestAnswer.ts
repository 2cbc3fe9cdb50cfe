/**
 * In place of a debounce: asked at once, and only the newest answer counts. Tells whether a question is still the newest of its kind when its answer comes: a late answer overwrites no newer one.
 */
export class Asked {
  private count = 0;

  newest(): () => boolean {
    const mine = ++this.count;
    return () => mine === this.count;
  }
}
