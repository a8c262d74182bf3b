/** Sets of keys that are joined, two by two. */
export class Joined {
  private readonly above = new Map<string, string>();

  find(key: string): string {
    let at = key;
    for (let next = this.above.get(at); next !== undefined; next = this.above.get(at)) at = next;
    if (at !== key) this.above.set(key, at);
    return at;
  }

  join(a: string, b: string): void {
    const [from, to] = [this.find(a), this.find(b)];
    if (from !== to) this.above.set(from, to);
  }
}
