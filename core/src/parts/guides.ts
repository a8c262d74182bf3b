import type { GuidePart } from './kinds.ts';

/** Fibres of clear plastic by diameter and price of a metre: they bend to twenty times their own diameter. Typical of the kind. */
const fibres: readonly GuidePart[] = (
  [
    [0.25, 0.12],
    [0.5, 0.2],
    [0.75, 0.32],
    [1, 0.5],
    [1.5, 0.95],
    [2, 1.6],
    [3, 3.2],
  ] as const
).map(([diameterMm, price]) => ({
  kind: 'guide',
  id: `fibre-${diameterMm}`,
  name: `Fibre, clear plastic, ${diameterMm} mm`,
  diameterMm,
  numericalAperture: 0.5,
  lossDbPerMetre: 0.3,
  leastBendMm: diameterMm * 20,
  price,
}));

/** Pipes of clear acrylic rod, polished at both ends: they are not bent cold. */
const pipes: readonly GuidePart[] = ([2, 3, 5, 8] as const).map((diameterMm) => ({
  kind: 'guide',
  id: `pipe-${diameterMm}`,
  name: `Light pipe, clear acrylic rod, ${diameterMm} mm`,
  diameterMm,
  // Air round it: rays are held in up to the angle of total reflection.
  numericalAperture: 1,
  lossDbPerMetre: 3,
  leastBendMm: 500,
  price: 1.2 + diameterMm * 0.5,
}));

/** What leads light from a lamp to a hole. */
export const guides: readonly GuidePart[] = [...fibres, ...pipes];
