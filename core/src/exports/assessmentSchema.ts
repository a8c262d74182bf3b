import { z } from 'zod';

const number = z.number().nullable();

const figured = z
  .strictObject({ likely: number, cautious: number, needs: z.array(z.string()) })
  .describe('Null where it can’t be decided yet; `needs` says what for.');

const quantity = z.strictObject({ kind: z.string(), value: z.number() }).nullable();

/**
 * The assessment of a plan as it is printed for other programs: stable from version to version. Amperes, volts, ohms,
 * watts, hours, millimetres and shares of 1; null = not decided, not known or without end.
 */
export const assessmentSchema = z.strictObject({
  format: z.literal('unruly-glimmer assessment'),
  version: z.literal(1),
  plan: z.string(),
  mark: z.string().describe('The mark that stands on the printed sheets and in the program.'),
  figures: z.strictObject({
    peakA: figured,
    usualA: figured,
    restA: figured,
    runsForH: figured,
    ceiling: figured,
    costPerCopy: figured,
    weakestLink: z.strictObject({ name: z.string(), loadA: number, limitA: z.number() }).nullable(),
  }),
  moods: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      setTo: z.number(),
      ceiling: number,
      meanA: z.number(),
      peakA: z.number(),
    }),
  ),
  standBy: z
    .array(
      z.strictObject({
        packId: z.string(),
        energyWh: z.number(),
        offA: z.number(),
        offKeepsH: z.number(),
        darkA: number,
        darkKeepsH: number,
        brought: z.number(),
        asked: number,
        swapsH: z.array(z.number()),
        eveningH: number,
      }),
    )
    .describe(
      'Each pack while the piece waits, switched off or left on and dark (null where a light is lit for as long as it is on), and exchanged during the evening.',
    ),
  rails: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      nominalV: number,
      freshV: number,
      spentV: number,
      peakA: number,
      usualA: number,
      restA: number,
      limitA: number,
    }),
  ),
  items: z.array(
    z.strictObject({
      id: z.string(),
      kind: z.string(),
      name: z.string(),
      switchedBy: z.array(z.string()),
      currentA: z
        .strictObject({ dim: z.number(), typical: z.number(), bright: z.number() })
        .nullable()
        .describe('All of it at full: at the dimmest corner of all tolerances, likely, at the brightest.'),
      resistorOhm: number,
      voltageV: number,
      powerW: number,
      turns: z
        .strictObject({
          count: z.number(),
          lightsAtOnce: z.number(),
          lines: z.number(),
          meanA: z.number().describe('Of one light at full, over time.'),
          picturesPerS: z.number(),
          acrossDarkV: z.number().describe('Over a light that is dark while its row is lit.'),
          glowA: z.number().describe('What then flows through one of the lowest drop of its kind.'),
        })
        .nullable()
        .describe('How its lights take turns on lines that they share; null where each has its own time.'),
    }),
  ),
  fades: z
    .array(z.strictObject({ item: z.string(), leastShare: z.number(), light: z.number() }))
    .describe('Plain tapes with all of them lit: of its brightest light the dimmest, which is named, gets so much.'),
  free: z
    .array(z.strictObject({ item: z.string(), port: z.string() }))
    .describe('Ports that are left free on purpose: pins left over, data out that nothing follows, outputs unused.'),
  nets: z.array(
    z.strictObject({
      name: z.string(),
      ports: z.array(z.strictObject({ item: z.string(), port: z.string() })),
    }),
  ),
  pins: z.array(z.strictObject({ board: z.string(), pin: z.string(), what: z.string(), locked: z.boolean() })),
  runs: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      from: z.string(),
      to: z.string(),
      cores: z.array(z.strictObject({ net: z.string(), colour: z.string() })),
      lengthMm: number,
      gaugeAwg: z.number(),
      peakA: number,
      dropV: z.number(),
    }),
  ),
  shopping: z.array(
    z.strictObject({
      name: z.string(),
      quantity: z.number(),
      unit: z.string(),
      unitPrice: z.number(),
      forWhat: z.string(),
    }),
  ),
  steps: z.array(
    z.strictObject({
      id: z.string(),
      chapter: z.string(),
      title: z.string(),
      todo: z.string(),
      probe: z.string().nullable(),
      expect: z.strictObject({ kind: z.string(), low: number, likely: number, high: number }).nullable(),
    }),
  ),
  guides: z
    .array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        guides: z.number(),
        boreMm: z.number().describe('Takes what is gathered before one light, with play.'),
        holeMm: z.number().describe('Takes what ends in it, with play.'),
        neededGapMm: number,
        litShare: number.describe('Of what is gathered, by all its lights together.'),
        share: number.describe('Of one light, out of all ends together.'),
        ends: z.array(
          z.strictObject({
            id: z.string(),
            from: z.array(z.strictObject({ item: z.string(), light: z.number() })),
            lengthMm: z.number(),
            intensityMcd: z.number(),
          }),
        ),
      }),
    )
    .describe('Fibres and pipes, and which light serves each hole; lights are counted from 1.'),
  states: z
    .strictObject({
      levers: z.array(
        z.strictObject({
          id: z.string(),
          name: z.string(),
          kind: z.enum(['switch', 'changeover', 'plug', 'charger']),
          positions: z.array(z.string()),
        }),
      ),
      rows: z.array(
        z.strictObject({
          positions: z.array(z.number().int()),
          fed: z.array(z.strictObject({ rail: z.string(), by: z.array(z.string()) })),
          troubles: z.array(z.enum(['meet', 'backwards', 'charges nothing', 'load beside'])),
        }),
      ),
    })
    .describe('What gives each rail power, in every position of switches, plugs and chargers'),
  warm: z
    .array(
      z.strictObject({
        item: z.string(),
        name: z.string(),
        heatW: z.number(),
        airC: z.number(),
        outsideC: z.number(),
        insideC: z.number(),
        limitC: z.number(),
        afterS: z.number().nullable().describe('At work at a time as long as the maker said; null for good.'),
        afterOutsideC: z.number(),
        afterInsideC: z.number(),
      }),
    )
    .describe('What gets warm at the brightest corner, from cold: for good, and after its time; the hottest first.'),
  warmBoxes: z
    .array(z.strictObject({ box: z.string(), airC: z.number(), wallC: z.number() }))
    .describe('Closed boxes: their air, and their walls outside, for good.'),
  findings: z.array(
    z.strictObject({
      id: z.string(),
      rule: z.string(),
      gravity: z.enum(['stop', 'mend', 'mind']),
      stage: z.string(),
      about: z.string().nullable(),
      actual: quantity,
      limit: quantity,
      text: z.string(),
    }),
  ),
});

/** What an assessed plan is told as: a form that stays the same for other programs, checked by its schema. */
export type AssessmentJson = z.infer<typeof assessmentSchema>;
