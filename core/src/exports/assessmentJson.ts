import { z } from 'zod';
import type { Assessment } from '../assess.ts';
import { type BenchStep, listSteps } from '../bench/index.ts';
import { figuresOf } from '../figures/index.ts';
import { checkPlan } from '../findings/index.ts';
import type { Finding } from '../items/index.ts';
import type { Item, Plan } from '../plan/index.ts';
import { type Printer, say } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';

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
    }),
  ),
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

/** JSON has no infinity: what never ends or collapses is null. */
const finite = (value: number | null | undefined): number | null =>
  value !== null && value !== undefined && Number.isFinite(value) ? value : null;

function itemOf(assessment: Assessment, item: Item): AssessmentJson['items'][number] {
  const driven = assessment.driven.filter((each) => each.itemId === item.id);
  const consumer = assessment.consumers.find((each) => each.id === item.id);
  const lightsOf = (each: (typeof driven)[number]): number =>
    each.loop.heldA === null ? each.lightsOnChannel.reduce((sum, lights) => sum + lights, 0) : 1;
  const wholeA = consumer ? consumer.restA + consumer.steadyPeakA + consumer.fullA : 0;
  const spreadA = wholeA * (consumer?.relativeSpread ?? 0);
  const currentA =
    driven.length > 0
      ? {
          dim: driven.reduce((sum, each) => sum + each.corners.dimmestA * lightsOf(each), 0),
          typical: driven.reduce((sum, each) => sum + each.corners.currentA * lightsOf(each), 0),
          bright: driven.reduce((sum, each) => sum + each.corners.brightestA * lightsOf(each), 0),
        }
      : consumer
        ? { dim: wholeA - spreadA, typical: wholeA, bright: wholeA + spreadA }
        : null;
  const railId = consumer?.railId ?? assessment.rails.feedOf(item);
  const voltageV = railId === null ? null : (assessment.rails.byId.get(railId)?.range?.nominalV ?? null);
  return {
    id: item.id,
    kind: item.kind,
    name: item.name,
    switchedBy: [...new Set((assessment.switched.get(item.id) ?? []).map(({ way }) => way.id))],
    currentA,
    resistorOhm: driven[0]?.resistor?.resistorOhm ?? null,
    voltageV,
    powerW: currentA && voltageV !== null ? currentA.typical * voltageV : null,
  };
}

const railsOf = ({ railFigures }: Assessment): AssessmentJson['rails'] =>
  railFigures.map((rail) => ({
    id: rail.id,
    name: rail.name,
    nominalV: finite(rail.range?.nominalV),
    freshV: finite(rail.range?.mostV),
    spentV: finite(rail.range?.leastV),
    peakA: finite(rail.peakA),
    usualA: finite(rail.usualA),
    restA: finite(rail.restA),
    limitA: finite(rail.limitA),
  }));

const runsOf = ({ runs }: Assessment): AssessmentJson['runs'] =>
  runs.map((run) => ({
    id: run.id,
    name: run.name,
    from: run.from.itemId,
    to: run.to.itemId,
    cores: run.cores.map(({ meaning, colour }) => ({ net: meaning, colour })),
    lengthMm: run.lengthMm,
    gaugeAwg: run.gaugeAwg,
    peakA: finite(run.peakA),
    dropV: run.dropV,
  }));

const stepsOf = (steps: readonly BenchStep[], message: Printer['message']): AssessmentJson['steps'] =>
  steps.map(({ id, chapter, title, todo, probe, expect }) => ({
    id,
    chapter,
    title,
    todo: message(todo),
    probe,
    expect: expect && {
      kind: expect.kind,
      low: finite(expect.low),
      likely: finite(expect.likely),
      high: finite(expect.high),
    },
  }));

const findingsOf = (findings: readonly Finding[], message: Printer['message']): AssessmentJson['findings'] =>
  findings.map((finding) => ({
    id: finding.id,
    rule: finding.rule,
    gravity: finding.gravity,
    stage: finding.stage ?? 'piece',
    about: finding.aboutId,
    actual: finding.actual && Number.isFinite(finding.actual.value) ? { ...finding.actual } : null,
    limit: finding.limit && Number.isFinite(finding.limit.value) ? { ...finding.limit } : null,
    text: message(say`${finding.what}. ${finding.why} ${finding.mend}`),
  }));

/** An assessed plan as plain data of a stable form, for other programs. */
export function tellAssessment(plan: Plan, assessment: Assessment, { message }: Printer): AssessmentJson {
  const { design } = plan;
  const ceilingOf = (moodId: string): number | null =>
    finite(assessment.ceilings.find((each) => each.moodId === moodId)?.brightness);
  return {
    format: 'unruly-glimmer assessment',
    version: 1,
    plan: plan.name,
    mark: fingerprint(design),
    figures: figuresForJson(assessment),
    moods: assessment.moods.map((mood) => ({
      id: mood.moodId,
      name: mood.name,
      setTo: mood.brightness,
      ceiling: ceilingOf(mood.moodId),
      meanA: mood.meanA,
      peakA: mood.peakA,
    })),
    rails: railsOf(assessment),
    items: design.items.map((item) => itemOf(assessment, item)),
    free: assessment.freePorts.map((port) => ({ ...port })),
    nets: assessment.nets.map(({ name, ports }) => ({ name, ports: ports.map((port) => ({ ...port })) })),
    pins: assessment.pins.flatMap(({ board, plan: { given } }) =>
      given.map(({ demand, pin, locked }) => ({ board: board.id, pin: pin.name, what: demand.label, locked })),
    ),
    runs: runsOf(assessment),
    shopping: assessment.shopping.map(({ name, quantity: count, unit, unitPrice, forWhat }) => ({
      name: message(name),
      quantity: count,
      unit,
      unitPrice,
      forWhat,
    })),
    steps: stepsOf(listSteps(design, assessment), message),
    findings: findingsOf(checkPlan(plan, assessment), message),
  };
}

function figuresForJson(assessment: Assessment): AssessmentJson['figures'] {
  const { weakestLink, ...figures } = figuresOf(assessment);
  const plain = ({ likely, cautious, needs }: (typeof figures)['peakA']) => ({
    likely: finite(likely),
    cautious: finite(cautious),
    needs: [...needs],
  });
  return {
    peakA: plain(figures.peakA),
    usualA: plain(figures.usualA),
    restA: plain(figures.restA),
    runsForH: plain(figures.runsForH),
    ceiling: plain(figures.ceiling),
    costPerCopy: plain(figures.costPerCopy),
    weakestLink: weakestLink.link && { ...weakestLink.link },
  };
}
