/** What lights that follow their rail draw in all, in amperes, by its voltage and by how far each of them is lit. */
export type RailLaw = (railV: number, shares: readonly number[]) => number;

/** Lights that one law is true of, each lit so far. */
export interface Lit {
  /** What all that follow it draw, by the rail’s voltage. */
  readonly law: RailLaw;
  /** Of full light, slot by slot. */
  readonly shares: readonly number[];
}

/** What is drawn right from one rail: amperes whatever its voltage, and lights that follow it. */
export interface RailDraw {
  /** Whatever the voltage. */
  readonly steadyA: number;
  /** What follows the voltage of its rail. */
  readonly shaped: readonly Lit[];
}

/** What is drawn from each rail of a tree, in the order of its nodes. */
export type Draws = readonly RailDraw[];

/** Draws of nothing at each node of a tree. */
export const noDraw: RailDraw = { steadyA: 0, shaped: [] };

/** A steady current from the rail that most hangs on, and nothing from the others. */
export const drawFromMain = (
  tree: { readonly nodes: readonly unknown[]; readonly main: number },
  amps: number,
): Draws => tree.nodes.map((_, i) => (i === tree.main ? { steadyA: amps, shaped: [] } : noDraw));

/** Lights lit so many times as far. */
export const scaleLit = (lit: readonly Lit[], factor: number): Lit[] =>
  lit.map(({ law, shares }) => ({ law, shares: shares.map((share) => share * factor) }));

/** The same draws, so many times as much. */
export const scaleDraws = (draws: Draws, factor: number): Draws =>
  draws.map(({ steadyA, shaped }) => ({ steadyA: steadyA * factor, shaped: scaleLit(shaped, factor) }));

const addShares = (a: readonly number[], b: readonly number[]): number[] => {
  const sum = new Array<number>(a.length);
  for (let i = 0; i < a.length; i += 1) sum[i] = (a[i] ?? 0) + (b[i] ?? 0);
  return sum;
};

/** Draws of one rail upon each other. */
export function addRailDraws(all: readonly RailDraw[]): RailDraw {
  if (all.length < 2) return all[0] ?? noDraw;
  let steadyA = 0;
  // What one law is true of is one: it is solved again and again, and what its lights lose they lose together.
  const shaped: Lit[] = [];
  for (const draw of all) {
    steadyA += draw.steadyA;
    for (const lit of draw.shaped) {
      const at = shaped.findIndex((each) => each.law === lit.law);
      const known = shaped[at];
      if (known) shaped[at] = { law: lit.law, shares: addShares(known.shares, lit.shares) };
      else shaped.push(lit);
    }
  }
  return { steadyA, shaped };
}

/** Draws upon each other, rail by rail. */
export const addDraws = (...all: readonly Draws[]): Draws =>
  (all[0] ?? []).map((_, i) => addRailDraws(all.map((draws) => draws[i] ?? noDraw)));

/** Amperes that a rail is asked for at a voltage. */
export const drawAt = (draw: RailDraw | undefined, railV: number): number =>
  draw === undefined ? 0 : draw.shaped.reduce((sum, { law, shares }) => sum + law(railV, shares), draw.steadyA);
