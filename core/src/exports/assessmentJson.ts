import { type Assessment, fullOf } from '../assess.ts';
import { type BenchStep, listSteps } from '../bench/index.ts';
import { figuresOf } from '../figures/index.ts';
import { checkPlan } from '../findings/index.ts';
import type { Finding } from '../items/index.ts';
import type { Item, Plan } from '../plan/index.ts';
import { type StateTable, tabulateStates } from '../states/index.ts';
import { type Printer, say } from '../units/index.ts';
import type { AssessmentJson } from './assessmentSchema.ts';
import { fingerprint } from './fingerprint.ts';

/** JSON has no infinity: what never ends or collapses is null. */
const finite = (value: number | null | undefined): number | null =>
  value !== null && value !== undefined && Number.isFinite(value) ? value : null;

function itemOf(assessment: Assessment, item: Item): AssessmentJson['items'][number] {
  const driven = assessment.driven.filter((each) => each.itemId === item.id);
  const consumer = assessment.consumers.find((each) => each.id === item.id);
  const loopsOf = (each: (typeof driven)[number]): number =>
    each.loopsOnChannel.reduce((sum, loops) => sum + loops, 0) * (each.scan?.litOfTurn ?? 1);
  const wholeA = consumer ? consumer.restA + consumer.steadyPeakA + fullOf(consumer, 'peak') : 0;
  const spreadA = wholeA * (consumer?.relativeSpread ?? 0);
  const currentA =
    driven.length > 0
      ? {
          dim: driven.reduce((sum, each) => sum + each.corners.leastA * loopsOf(each), 0),
          typical: driven.reduce((sum, each) => sum + each.corners.currentA * loopsOf(each), 0),
          bright: driven.reduce((sum, each) => sum + each.corners.mostA * loopsOf(each), 0),
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
    turns: turnsOf(driven[0]),
  };
}

/** How its lights take turns; null where each has its own time. */
function turnsOf(driven: Assessment['driven'][number] | undefined): AssessmentJson['items'][number]['turns'] {
  const scan = driven?.scan;
  if (!scan) return null;
  const { layout, meanA, picturesPerS, acrossOffV, glowA } = scan;
  return {
    count: layout.turns,
    lightsAtOnce: layout.atOnce,
    lines: layout.lines.length,
    meanA,
    picturesPerS,
    acrossDarkV: acrossOffV,
    glowA,
  };
}

const standByOf = ({ standBy }: Assessment): AssessmentJson['standBy'] =>
  standBy.map(({ supplyId, energyWh, off, dark, brought, asked, swapsH, eveningH }) => ({
    packId: supplyId,
    energyWh,
    offA: off.drawnA,
    offKeepsH: off.keepsH,
    darkA: dark?.drawnA ?? null,
    darkKeepsH: dark?.keepsH ?? null,
    brought,
    asked,
    swapsH: [...swapsH],
    eveningH: finite(eveningH),
  }));

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

const guidesOf = ({ guides }: Assessment): AssessmentJson['guides'] =>
  guides.map(({ item, guides: count, boreMm, holeMm, guided, sources, ends }) => ({
    id: item.id,
    name: item.name,
    guides: count,
    boreMm,
    holeMm,
    neededGapMm: finite(guided?.neededGapMm),
    litShare: finite(guided?.litShare),
    share: finite(guided?.share),
    ends: ends.map(({ id, from, lengthMm, intensityMcd }) => ({
      id,
      from: from.flatMap((k) => {
        const source = sources[k];
        return source ? [{ item: source.groupId, light: source.light + 1 }] : [];
      }),
      lengthMm,
      intensityMcd,
    })),
  }));

const statesOf = ({ levers, states, rails }: StateTable): AssessmentJson['states'] => ({
  levers: levers.map(({ id, name, kind, positions }) => ({ id, name, kind, positions: [...positions] })),
  rows: states.map(({ positions, fedBy, troubles }) => ({
    positions: [...positions],
    fed: rails.map(({ id }) => ({ rail: id, by: [...(fedBy.get(id) ?? [])] })),
    troubles: troubles.map(({ kind }) => kind),
  })),
});

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
    standBy: standByOf(assessment),
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
    guides: guidesOf(assessment),
    fades: assessment.fades.map(({ itemId, leastShare, dimmestLight }) => ({
      item: itemId,
      leastShare,
      light: dimmestLight,
    })),
    states: statesOf(tabulateStates(design, assessment)),
    warm: assessment.warm.parts.map(({ itemId, name, heatW, airC, forGood, after, limitC }) => ({
      item: itemId,
      name,
      heatW,
      airC,
      outsideC: forGood.outsideC,
      insideC: forGood.insideC,
      limitC,
      afterS: finite(after.seconds),
      afterOutsideC: after.outsideC,
      afterInsideC: after.insideC,
    })),
    warmBoxes: assessment.warm.boxes.map(({ boxId, airC, wallC }) => ({ box: boxId, airC, wallC })),
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
