/** Numbers that stand for things in the keys of what is kept: the same number, the same thing. */
export class Numbers {
  private readonly byContent = new WeakMap<object, number>();
  private readonly byText = new Map<string, number>();
  private readonly byThing = new WeakMap<object, number>();
  private things = 0;

  /** The same for all that holds the same, of plain values. */
  ofContent(of: object): number {
    let known = this.byContent.get(of);
    if (known === undefined) {
      const text = JSON.stringify(of);
      known = this.byText.get(text);
      if (known === undefined) this.byText.set(text, (known = this.byText.size));
      this.byContent.set(of, known);
    }
    return known;
  }

  /** The same for one and the same thing alone. */
  ofThing(of: object | null): number {
    if (of === null) return -1;
    let known = this.byThing.get(of);
    if (known === undefined) this.byThing.set(of, (known = this.things += 1));
    return known;
  }
}
