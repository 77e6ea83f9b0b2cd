/** Things that are brought together bit by bit: numbers that stand for one and the same as soon as they are joined. */
export class UnionFind {
  private readonly parent: number[] = [];

  /** A new thing, by itself. */
  add(): number {
    this.parent.push(this.parent.length);
    return this.parent.length - 1;
  }

  /** The number that stands for everything this thing has been joined with. */
  find(thing: number): number {
    let root = thing;
    for (let up = this.parent[root]; up !== undefined && up !== root; up = this.parent[root]) root = up;
    this.parent[thing] = root;
    return root;
  }

  join(a: number, b: number): void {
    this.parent[this.find(a)] = this.find(b);
  }
}
