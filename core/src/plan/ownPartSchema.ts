import { z } from 'zod';
import { type OwnPart, ownColumns } from '../parts/index.ts';
import { plenty } from './limits.ts';

const inColumn = ({ least, most }: { readonly least: number; readonly most: number }) =>
  z.number().min(least).max(most);
const figureIn = (column: { readonly least: number; readonly most: number }) =>
  z.strictObject({
    likely: inColumn(column),
    spread: z.number().min(0).max(column.most),
    origin: z.enum(['measured', 'data sheet', 'typical', 'guess', 'overruled']),
  });
const sizeMm = z.number().positive().max(5000);
const base = {
  id: z.string().regex(/^own-[\w-]{1,36}$/, 'must begin with own-, then letters, digits, - or _'),
  like: z.string().max(60),
  name: z.string().min(1).max(plenty.nameLength),
  price: z.number().min(0).max(1e6),
};
const { led, pack, 'pixel-tape': tape } = ownColumns;

/** A part of the maker's own within a plan, so that the plan is whole wherever it goes. */
export const ownPartSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('led'),
    body: z.enum(['3 mm', '5 mm', 'pre-wired chip', 'power star']),
    colour: z.string().regex(/^#[0-9a-f]{6}$/),
    forwardAt1mAV: inColumn(led['forward at 1 mA']),
    forwardAt20mAV: inColumn(led['forward at 20 mA']),
    forwardSpreadV: z.number().min(0).max(2),
    seriesOhm: z.number().min(0).max(1000),
    ratedCurrentA: inColumn(led['rated current']),
    bareDiameterMm: inColumn(led.diameter),
    sleeveWallMm: z.number().min(0).max(5),
    lengthMm: inColumn(led.length),
    wireDiameterMm: z.number().positive().max(5),
    intensityMcd: inColumn(led.brightness),
    invisible: z.enum(['infrared', 'ultraviolet']).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('pixel-tape'),
    perMetre: inColumn(tape.density),
    lightsPerJoint: z.number().int().min(1).max(24),
    widthMm: inColumn(tape.width),
    heightMm: inColumn(tape.height),
    restCurrentA: figureIn(tape['rest current']),
    dieCurrentA: figureIn(tape['die current']),
    dice: z.union([z.literal(3), z.literal(4)]),
    bitPeriodUs: z.number().positive().max(100),
    latchUs: z.number().positive().max(10_000),
    ratedVoltageV: z.number().positive().max(48),
    leastVoltageV: z.number().positive().max(48),
    railOhmPerMetre: inColumn(tape['rail resistance']),
    feedLimitA: inColumn(tape['feed limit']),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('pack'),
    chemistry: z.enum([
      'lithium-ion',
      'lithium iron phosphate',
      'alkaline',
      'nickel-metal hydride',
      'lithium coin',
      'alkaline button',
      'lead-acid',
      'power bank',
    ]),
    cellsInSeries: z.number().int().min(1).max(20),
    capacityMah: figureIn(pack.capacity),
    ratedCurrentA: z.number().positive().max(100),
    resistanceOhm: figureIn(pack.resistance),
    steadyLimitA: inColumn(pack['steady limit']),
    cutOffV: inColumn(pack['cut-off']),
    protected: z.boolean(),
    massG: inColumn(pack.mass),
    sizeMm: z.tuple([sizeMm, sizeMm, sizeMm]).readonly(),
    switchesOffBelowA: z.number().positive().max(10).optional(),
  }),
]) satisfies z.ZodType<OwnPart>;
