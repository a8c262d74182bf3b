import { z } from 'zod';
import { colour, figure, inBand, name, price } from '../items/schemaFields.ts';
import {
  chemistryNames,
  colourOrders,
  dieColours,
  ledBodies,
  MOST_PINS,
  type OwnPart,
  ownColumns,
  pinName,
} from '../parts/index.ts';

const unitTicks = z.int().min(1).max(65535);
const sizeMm = z.number().positive().max(5000);
const base = {
  id: z.string().regex(/^own-[\w-]{1,36}$/, 'must begin with own-, then letters, digits, - or _'),
  like: z.string().max(60),
  name,
  price,
};
const {
  led,
  pack,
  'pixel-tape': tape,
  controller,
  guide,
  load,
  receiver,
  converter,
  charger,
  protection,
  transistor,
} = ownColumns;

const volts = z.number().min(0).max(100);
/** Charge left, as a share, and what is then. */
const course = (most: number) =>
  z
    .array(z.tuple([z.number().min(0).max(1), z.number().positive().max(most)]).readonly())
    .min(2)
    .max(60)
    .readonly();
const cells = z.number().int().min(1).max(20);

/** A part of the maker's own within a plan, so that the plan is whole wherever it goes. */
export const ownPartSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('led'),
    body: z.enum(ledBodies),
    colour,
    forwardAt1mAV: inBand(led['forward at 1 mA']),
    forwardAt20mAV: inBand(led['forward at 20 mA']),
    forwardSpreadV: inBand(led['varies by']),
    seriesOhm: inBand(led['series resistance']),
    ratedCurrentA: inBand(led['rated current']),
    bareDiameterMm: inBand(led.diameter),
    sleeveWallMm: z.number().min(0).max(5),
    lengthMm: inBand(led.length),
    wireDiameterMm: z.number().positive().max(5),
    intensityMcd: inBand(led.brightness),
    invisible: z.enum(['infrared', 'ultraviolet']).optional(),
    wavelengthNm: inBand(led['wavelength in nm']).optional(),
    insideKPerW: inBand(led['inside to board']).optional(),
    radiantW: inBand(led['radiant power']).optional(),
    halfAngleDeg: z.number().min(1).max(90).optional(),
    dice: z.array(z.enum(dieColours)).min(2).max(4).optional(),
    common: z.enum(['plus', 'minus']).optional(),
    insideOhm: inBand(led['inside resistor']).optional(),
    madeForV: inBand(led['made for']).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('guide'),
    diameterMm: inBand(guide.diameter),
    numericalAperture: inBand(guide.aperture),
    lossDbPerMetre: inBand(guide['loss in dB a metre']),
    leastBendMm: inBand(guide['least bend']),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('load'),
    what: z.enum(['sound', 'motor', 'servo', 'receiver', 'any']),
    leastV: inBand(load['works from']),
    mostV: inBand(load['works up to']),
    restA: figure(load['draws at rest']),
    usualA: figure(load['draws on the mean']),
    mostA: figure(load['draws at most']),
    startA: figure(load['draws at the start']),
    input: z.enum(['low', 'high', 'pulses']).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('receiver'),
    transmitterPrice: price,
    outputs: z.number().int().min(1).max(12),
    output: z.enum(['held', 'latched']),
    carrier: z.enum(['radio', 'infrared']),
    leastV: inBand(receiver['works from']),
    mostV: inBand(receiver['works up to']),
    standbyA: inBand(receiver['waits with']),
    halfAngleDeg: z.number().min(1).max(90).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('converter'),
    topology: z.enum(['boost', 'buck', 'linear']),
    outputV: inBand(converter.gives),
    outputLimitA: inBand(converter['gives at most']),
    inputLeastV: inBand(converter['input from']),
    inputMostV: inBand(converter['input up to']),
    inputLimitA: inBand(converter['input limit']),
    idleA: inBand(converter['idles with']),
    statedInputV: volts,
    efficiency: z
      .array(z.tuple([z.number().min(0).max(1), z.number().min(0.01).max(1)]).readonly())
      .max(40)
      .readonly(),
    sizeMm: z.tuple([sizeMm, sizeMm, sizeMm]).readonly(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('charger'),
    chemistry: z.enum(chemistryNames),
    cellsInSeries: cells,
    chargeA: inBand(charger['charges with']),
    endShare: inBand(charger['ends at a share of']),
    sharesLoad: z.boolean(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('protection'),
    cellsInSeries: cells,
    tripA: inBand(protection['trips at']),
    tripDelayS: inBand(protection['trips after']).optional(),
    shortTripA: inBand(protection['short circuit from']).optional(),
    shortDelayS: inBand(protection['short trips after']).optional(),
    comesBack: z.enum(['load off', 'charger']).optional(),
    cutOffV: inBand(protection['cut-off']),
    ohm: inBand(protection.resistance),
    drainA: inBand(protection['draws all day']),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('pixel-tape'),
    perMetre: inBand(tape.density),
    lightsPerJoint: z.number().int().min(1).max(256),
    form: z
      .strictObject({
        shape: z.enum(['ring', 'panel', 'stick', 'single']),
        pixels: z.number().int().min(1).max(256),
        columns: z.number().int().min(1).max(256),
        sizeMm: z.tuple([sizeMm, sizeMm]).readonly(),
      })
      .optional(),
    widthMm: inBand(tape.width),
    heightMm: inBand(tape.height),
    restCurrentA: figure(tape['rest current']),
    dieCurrentA: figure(tape['die current']),
    dice: z.union([z.literal(3), z.literal(4)]),
    order: z.enum(colourOrders).optional(),
    dotsPerPixel: z.number().int().min(1).max(24).optional(),
    chipV: z.number().min(1.8).max(24).optional(),
    bitPeriodUs: z.number().positive().max(100),
    latchUs: z.number().positive().max(10_000),
    ratedVoltageV: z.number().positive().max(48),
    leastVoltageV: z.number().positive().max(48),
    railOhmPerMetre: inBand(tape['rail resistance']),
    feedLimitA: inBand(tape['feed limit']),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('transistor'),
    type: z.enum(['bipolar', 'field-effect']),
    side: z.enum(['low', 'high']),
    currentLimitA: inBand(transistor['current limit']),
    onDropV: inBand(transistor['drop when on']),
    onOhm: inBand(transistor['on-resistance']),
    gateV: inBand(transistor['full on at']),
    thresholdV: inBand(transistor.threshold),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('pack'),
    chemistry: z.enum(chemistryNames),
    cellsInSeries: z.number().int().min(1).max(20),
    capacityMah: figure(pack.capacity),
    ratedCurrentA: inBand(pack['stated at']),
    resistanceOhm: figure(pack.resistance),
    steadyLimitA: inBand(pack['steady limit']),
    cutOffV: inBand(pack['cut-off']),
    protected: z.boolean(),
    massG: inBand(pack.mass),
    restV: course(100).optional(),
    resistanceOver: course(200).optional(),
    rateExponent: inBand(pack['rate exponent']).optional(),
    sizeMm: z.tuple([sizeMm, sizeMm, sizeMm]).readonly(),
    switchesOffBelowA: z.number().positive().max(10).optional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('controller'),
    logicV: inBand(controller['pins at']),
    regulator: z.strictObject({ dropOutV: z.number().min(0).max(5), lifts: z.boolean() }).nullable(),
    injectionLimitA: inBand(controller['clamp bears']),
    supplyLeastV: inBand(controller['least supply']),
    supplyMostV: inBand(controller['most supply']),
    brownOutV: inBand(controller['resets below']),
    drawA: figure(controller.draw),
    pinLimitA: inBand(controller['pin limit']),
    chipLimitA: inBand(controller['board limit']),
    pinOhm: inBand(controller['pin resistance']),
    memoryBytes: inBand(controller.memory),
    stackBytes: inBand(controller.stack).int(),
    programBytes: inBand(controller['program memory']),
    clockMhz: inBand(controller['clock in MHz']),
    worthCycles: inBand(controller['worth cycles']),
    loopTickMs: inBand(controller['loop in ms']),
    converterBits: inBand(controller['converter bits']).int(),
    converterReferenceV: z.number().positive().max(12).nullable(),
    converterReadingUs: inBand(controller['converter reading in µs']),
    byteGapUs: inBand(controller['byte gap in µs']).optional(),
    serialBaud: inBand(controller['serial speed']).optional(),
    saysOn: z.string().min(1).max(20).optional(),
    scan: z
      .strictObject({
        ticksPerS: z.number().positive().max(1e9),
        darkTicks: z.number().min(0).max(1e6),
        shortTicks: z.number().min(0).max(1e6),
        unitTicks: z.tuple([unitTicks, unitTicks]).readonly().optional(),
        cyclesAnInterrupt: z.number().min(0).max(1e6),
        rows: z
          .strictObject({ turnBytes: z.number().min(0).max(1e6), programBytes: z.number().min(0).max(1e6) })
          .readonly()
          .optional(),
        losesDimming: z.array(z.string().max(12)).max(100).readonly(),
      })
      .optional(),
    code: z.string().max(60).nullable(),
    make: z.literal('arm').optional(),
    sizeMm: z.tuple([sizeMm, sizeMm, sizeMm]).readonly(),
    pins: z
      .array(
        z.strictObject({
          name: z.string().regex(pinName, 'must be 1 to 12 letters, figures or + * # . - _'),
          can: z
            .array(z.enum(['out', 'in', 'dimmed', 'analog', 'data']))
            .min(1)
            .max(5),
          startUp: z.string().max(120).optional(),
        }),
      )
      .min(1)
      .max(MOST_PINS),
  }),
]) satisfies z.ZodType<OwnPart>;
