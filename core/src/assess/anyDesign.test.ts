import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { planOf } from '../../tests/designs.ts';
import { findNaN } from '../../tests/findNaN.ts';
import { momentsMs } from '../../tests/shows.ts';
import { type Assessment, assess } from '../assess.ts';
import { listSteps, startSimulated } from '../bench/index.ts';
import {
  assessmentSchema,
  exportProgram,
  exportShoppingCsv,
  exportTemplateSvg,
  exportWireCsv,
  tellAssessment,
  writeBrief,
  writeMoodCard,
} from '../exports/index.ts';
import { explainCeiling, explainData, explainDrive, explainRun, explainTape, figuresOf } from '../figures/index.ts';
import { checkDesign, listStageStates, listWishes } from '../findings/index.ts';
import { itemsOf } from '../items/index.ts';
import { paintFrame } from '../motion/index.ts';
import {
  applyEdits,
  type Design,
  removeCue,
  removeHollow,
  removeItem,
  removeMood,
  removePlace,
  removeSet,
  removeSign,
} from '../plan/index.ts';
import { readPlan, readPlanText } from '../plan/reading.ts';
import { say, usualPrinter } from '../units/index.ts';

const RUNS = 120;
let made: readonly { readonly design: Design; readonly assessment: Assessment }[] | undefined;

/** Holds of every plan of one draw, which is made and reckoned once; the first that it does not hold of is made as small as it goes. */
const always = (check: (design: Design, assessment: Assessment) => void, numRuns = RUNS): void => {
  made ??= fc.sample(anyDesign, { seed: 20, numRuns: RUNS }).map((design) => ({ design, assessment: assess(design) }));
  try {
    for (const { design, assessment } of made.slice(0, numRuns)) check(design, assessment);
  } catch (error) {
    fc.assert(
      fc.property(anyDesign, (design) => check(design, assess(design))),
      { seed: 20, numRuns },
    );
    throw error;
  }
};

const duplicates = (ids: readonly string[]): string[] => ids.filter((id, i) => ids.indexOf(id) !== i);

const problemsOf = (design: Design) => {
  const read = readPlan(planOf(design));
  return read.ok ? [] : read.problems;
};

/** What each die of a many-coloured light gives: a white one what the others have in common, in their place, or nothing. */
const diceLit = (
  { points, bytesPerPoint, whiteDie }: Assessment['show']['groups'][number],
  bytes: Uint8Array,
): number[] =>
  bytesPerPoint === 1 || whiteDie === undefined
    ? [...bytes]
    : Array.from({ length: points }, (_, i) => {
        const rgb = [...bytes.subarray(3 * i, 3 * i + 3)];
        const white = whiteDie === 'lit' ? Math.min(...rgb) : 0;
        return [...rgb.map((byte) => byte - white), white];
      }).flat();

/** The draw of a frame in a second way: light by light, each on the channel that its number says. */
function drawOfFrame(design: Design, { show, consumers }: Assessment, frame: Uint8Array): number {
  return consumers.reduce((sumA, { id, restA: darkA, steadyA, fullA }) => {
    const restA = darkA + steadyA;
    const group = show.groups.find((each) => each.id === id);
    const leds = itemsOf(design, 'light').find((each) => each.id === id);
    if (!group || group.points === 0) return sumA + restA;
    const bytes = frame.subarray(group.offset, group.offset + group.points * group.bytesPerPoint);
    const lit =
      leds && group.bytesPerPoint === 1
        ? leds.places.map((_, i) => bytes[i % group.points] ?? 0)
        : diceLit(group, bytes);
    return sumA + restA + (fullA * lit.reduce((sum, byte) => sum + byte, 0)) / (255 * Math.max(1, lit.length));
  }, 0);
}

/** The lights in the other order; what feeds and drives them stays as it stands. */
const turnLights = ({ items }: Design): Design['items'] => {
  const isLight = (item: Design['items'][number]): boolean => 'route' in item || 'places' in item;
  return [...items.filter(isLight).reverse(), ...items.filter((item) => !isLight(item))];
};

const told = usualPrinter.message;

/** An explanation with all its quantities printed, and a note where one of them is no number. */
const tellAll = (value: unknown): string =>
  JSON.stringify(value, (_key, each: unknown) =>
    typeof each === 'object' && each !== null && 'kind' in each && 'value' in each
      ? String(each.value).replace('Infinity', '–')
      : each,
  );

describe('a design of any kind', () => {
  it('is a plan that is written and read again as it was', () => {
    always((design) => {
      const plan = planOf(design);
      expect(readPlanText(JSON.stringify(plan))).toEqual({ ok: true, plan });
    });
  });

  it('has no figure that is not a number, and no current below nothing', () => {
    always((design, assessment) => {
      expect(findNaN(assessment)).toEqual([]);
      for (const consumer of assessment.consumers) {
        expect(consumer.restA).toBeGreaterThanOrEqual(0);
        expect(consumer.fullA).toBeGreaterThanOrEqual(0);
      }
      expect(findNaN(listWishes(design, assessment))).toEqual([]);
      const states = listStageStates(planOf(design), checkDesign(design, assessment), 1);
      expect(Object.keys(states)).toHaveLength(8);
    });
  });

  it('draws no more than all of its lights at full, and on the mean no more than at its height', () => {
    always((_design, { moods, allWhiteA, peakA, usualA, consumers, course }) => {
      // Channels are reckoned in whole millionths of an ampere.
      const slackA = 1e-5;
      expect(peakA).toBeLessThanOrEqual(allWhiteA + slackA);
      if (course.length > 0) expect(usualA).toBeLessThanOrEqual(peakA + slackA);
      const restA = consumers.reduce((sum, each) => sum + each.restA, 0);
      for (const mood of moods) {
        expect(mood.meanA).toBeLessThanOrEqual(mood.peakA + slackA);
        expect(mood.peakA).toBeLessThanOrEqual(allWhiteA + slackA);
        expect(mood.meanA + slackA).toBeGreaterThanOrEqual(restA);
        // The parts of the sum are the sum: nothing is drawn that no group draws.
        const groupsA = mood.groups.reduce((sum, group) => sum + group.meanA, 0);
        const others = consumers.filter((each) => !mood.groups.some((group) => group.groupId === each.id));
        expect(groupsA + others.reduce((sum, each) => sum + each.restA + each.steadyA, 0)).toBeCloseTo(mood.meanA, 9);
      }
    });
  });

  it('draws in each mood what the frames of ten hours come to, light by light', () => {
    always((design, assessment) => {
      const { show, moods, allWhiteA } = assessment;
      const frame = new Uint8Array(show.frameBytes);
      const moments = momentsMs({ first: 200, everyMs: 41, late: 400 });
      moods.forEach((mood, m) => {
        const drawAt = (tMs: number): number => {
          paintFrame(show, m, tMs, frame);
          return drawOfFrame(design, assessment, frame);
        };
        const late = moments.late.map(drawAt);
        const meanA = late.reduce((sum, each) => sum + each, 0) / late.length;
        expect(Math.max(...moments.first.map(drawAt), ...late)).toBeLessThanOrEqual(mood.peakA + 0.03 * allWhiteA);
        expect(Math.abs(meanA - mood.meanA)).toBeLessThanOrEqual(0.04 * allWhiteA);
      });
    }, 60);
  });

  it('sends each data line its tapes one after another, as they are wired, and every byte once', () => {
    always((design, { show, chains, dataLines, placed }) => {
      const ends = chains.flatMap(({ tapeIds }) => {
        const groups = tapeIds.map((id) => show.groups.find((group) => group.id === id));
        groups.slice(1).forEach((group, i) => {
          const before = groups[i];
          const tape = placed.find(({ id }) => id === before?.id);
          // All lights of a tape pass the data on, those that stay dark too.
          const passed = tape?.shape === 'pixels' ? tape.cut.lights : 0;
          expect(group?.offset).toBe((before?.offset ?? 0) + passed * 3);
          expect(itemsOf(design, 'pixel tape').find((tape) => tape.id === group?.id)?.after).toBe(before?.id);
        });
        return groups.map((group) => group?.id);
      });
      expect(new Set(ends).size).toBe(ends.length);
      const tapes = new Set(itemsOf(design, 'pixel tape').map((tape) => tape.id));
      const bytes = show.groups
        .filter((group) => !tapes.has(group.id))
        .reduce((sum, { points, bytesPerPoint }) => sum + points * bytesPerPoint, 0);
      expect(dataLines.reduce((sum, { line }) => sum + line.pixels, 0) * 3).toBe(show.frameBytes - bytes);
    });
  });

  it('joins every port on one net, or says which can’t be; every net has two ports, and each core is called by its net', () => {
    always((design, assessment) => {
      const { nets } = assessment;
      expect(duplicates(nets.map((net) => net.name))).toEqual([]);
      for (const net of nets) expect(net.ports.length, net.name).toBeGreaterThan(1);
      for (const run of assessment.runs)
        expect(run.cores.map((core) => core.meaning)).toEqual(run.joins.map(({ net }) => net.name));
      const told = checkDesign(design, assessment).flatMap(({ id, aboutId }) =>
        id.startsWith('common-plus:') && aboutId ? [`${aboutId} common`] : [],
      );
      // A common plus that can't be is told once of its tape, at whichever of its feeds.
      const isTold = (each: string): boolean => told.some((start) => each === start || each.startsWith(`${start} `));
      const onNets = new Set(nets.flatMap((net) => net.ports.map(({ item, port }) => `${item} ${port}`)));
      for (const { item, port } of assessment.freePorts) expect(onNets).not.toContain(`${item} ${port}`);
      const free = new Set(assessment.freePorts.map(({ item, port }) => `${item} ${port}`));
      for (const chain of assessment.chains)
        for (const id of chain.tapeIds)
          expect(onNets.has(`${id} data out`) || free.has(`${id} data out`) || assessment.boards.length === 0, id).toBe(
            true,
          );
      const twice = duplicates(nets.flatMap((net) => net.ports.map(({ item, port }) => `${item} ${port}`)));
      expect(twice.filter((each) => !isTold(each))).toEqual([]);
    });
  });

  it('gives each pin once, to what it can do, or names a clash', () => {
    always((_design, { pins }) => {
      for (const { board, plan } of pins) {
        if (!plan.ok) {
          expect(plan.reason.length).toBeGreaterThan(10);
          continue;
        }
        const names = plan.given.map(({ pin }) => pin.name);
        expect(new Set(names).size).toBe(names.length);
        for (const { pin, demand } of plan.given) expect(pin.can).toContain(demand.needs);
        expect(names.length + plan.free.length).toBe(board.part.pins.length);
      }
    });
  });

  it('has findings with names of their own, whose mends leave a plan that can be read', () => {
    always((design, assessment) => {
      const findings = checkDesign(design, assessment);
      expect(duplicates(findings.map((finding) => finding.id))).toEqual([]);
      for (const finding of findings) {
        expect(duplicates(finding.fixes.map((fix) => told(fix.label))), finding.id).toEqual([]);
        expect(told(say`${finding.what} ${finding.why} ${finding.mend}`)).not.toMatch(/NaN|undefined|Infinity|null/);
        for (const fix of finding.fixes) {
          const mended = applyEdits(design, fix.edits);
          expect(problemsOf(mended), told(say`${finding.id}: ${fix.label}`)).toEqual([]);
        }
      }
    }, 100);
  });

  it('is never offered a mend twice: once it is made, the finding is gone or asks for something else', () => {
    always((design, assessment) => {
      for (const { id, what, fixes } of checkDesign(design, assessment)) {
        for (const fix of fixes) {
          const mended = applyEdits(design, fix.edits);
          const still = checkDesign(mended, assess(mended)).find((each) => each.id === id);
          expect(still?.fixes ?? [], told(say`${id}: ${what}`)).not.toContainEqual(fix);
        }
      }
    }, 60);
  });

  it('opens every sum, and takes out every sheet, without a hole in it', () => {
    always((design, assessment) => {
      const plan = planOf(design);
      const opened = [
        ...Object.values(figuresOf(assessment)),
        ...assessment.placed.flatMap((group) => (group.shape === 'pixels' ? [explainTape(group)] : [])),
        ...assessment.driven.map((driven) => explainDrive(driven, assessment)),
        ...assessment.runs.map((run) => explainRun(run, 50)),
        ...(assessment.supply?.ceilings.map((ceiling) => explainCeiling(assessment, ceiling)) ?? []),
        ...(assessment.dataLines.length > 0 ? [explainData(assessment)] : []),
      ];
      const sheets = [
        writeBrief(plan, assessment, usualPrinter),
        writeMoodCard(plan, assessment, usualPrinter),
        exportShoppingCsv(assessment, design.piece.copies, usualPrinter),
        exportWireCsv(assessment, usualPrinter),
        exportTemplateSvg(plan, assessment, 'front', usualPrinter),
        exportTemplateSvg(plan, assessment, 'back', usualPrinter),
        ...Object.values(exportProgram(plan, assessment, {})),
      ];
      expect(opened.map(tellAll).join('\n')).not.toMatch(/NaN|undefined|Infinity/);
      // What is printed for other programs keeps to its schema, and has no number that is none.
      assessmentSchema.parse(tellAssessment(plan, assessment, usualPrinter));
      for (const sheet of sheets) expect(sheet).not.toMatch(/NaN|undefined|\bInfinity\b|\[object/);
    }, 100);
  });

  it('is built in steps that each are there once, with bands that hold what is likely', () => {
    always((design, assessment) => {
      const steps = listSteps(design, assessment);
      expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
      for (const { id, title, todo, expect: band } of steps) {
        expect(told(say`${title} ${todo}`)).not.toMatch(/NaN|undefined|Infinity/);
        if (!band) continue;
        expect(band.low, id).toBeLessThanOrEqual(band.likely);
        expect(band.high, id).toBeGreaterThanOrEqual(band.likely);
      }
    });
  });

  it('weighs the same, lasts as long and costs as much in whatever order its groups stand', () => {
    always((design, assessment) => {
      const turned = assess({ ...design, items: turnLights(design) });
      expect(turned.allWhiteA).toBeCloseTo(assessment.allWhiteA, 9);
      expect(turned.peakA).toBeCloseTo(assessment.peakA, 9);
      expect(turned.costPerCopy).toBeCloseTo(assessment.costPerCopy, 6);
      // The limiter counts in whole millionths, group by group, so the hours agree to a few parts in ten thousand.
      const [hoursH, turnedH] = [assessment.supply?.runsFor?.likelyH ?? 0, turned.supply?.runsFor?.likelyH ?? 0];
      expect(Math.abs(turnedH - hoursH)).toBeLessThanOrEqual(hoursH * 5e-4);
    }, 80);
  });

  it('forgets what is taken out: no lock, override, cue, move, lead or wire names it any more', () => {
    always((design, assessment) => {
      // Every wire has a length of the maker’s own.
      const runs = assessment.runs.map(({ id }) => ({ runId: id, lengthMm: 120, gaugeAwg: null, colours: null }));
      const whole: Design = { ...design, wires: { ...design.wires, runs } };
      const names = (left: Design, id: string): boolean => new RegExp(`[":]${id}[":]`).test(JSON.stringify(left));
      const { list, cues, sets = [], signs = [] } = whole.moods;
      const removals: readonly (readonly [readonly { readonly id: string }[], (open: Design, id: string) => Design])[] =
        [
          [whole.items, removeItem],
          [whole.hollows, removeHollow],
          [list, removeMood],
          [cues, removeCue],
          [sets, removeSet],
          [signs, removeSign],
        ];
      for (const [things, remove] of removals)
        for (const { id } of things) expect(names(remove(whole, id), id), id).toBe(false);
    }, 60);
  });

  it('forgets the wire to a light that is taken out of its group', () => {
    always((design, assessment) => {
      const runs = assessment.runs.map(({ id }) => ({ runId: id, lengthMm: 120, gaugeAwg: null, colours: null }));
      const whole: Design = { ...design, wires: { ...design.wires, runs } };
      for (const item of whole.items)
        for (const { id } of 'places' in item ? item.places : []) {
          const left = removePlace(whole, item.id, id);
          expect(problemsOf(left)).toEqual([]);
          expect(left.wires.runs.filter(({ runId }) => runId.startsWith(`light:${item.id}:${id}`))).toEqual([]);
        }
    }, 60);
  });

  it('stays a plan whatever is taken out of it', () => {
    always((design) => {
      for (const item of design.items) expect(problemsOf(removeItem(design, item.id))).toEqual([]);
      for (const mood of design.moods.list) expect(problemsOf(removeMood(design, mood.id))).toEqual([]);
    }, 60);
  });

  it('runs on the simulated controller', () => {
    always((design, assessment) => {
      const { answer } = startSimulated(design, assessment, '');
      const frames = [0, 40, 400, 4000].map((atMs) => answer(`frame ${atMs}`));
      for (const frame of frames) {
        expect(frame).toMatch(/^[0-9a-f]* .+$/);
        expect(frame.indexOf(' ')).toBe(2 * assessment.show.frameBytes);
      }
    }, 60);
  });
});
