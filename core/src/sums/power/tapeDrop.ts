import { tellTapeLow } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { tapeVoltages } from '../../power/index.ts';
import { SumError } from '../answer.ts';
import { assume, choice, list } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';
import { evenTape, tapeInputs } from './evenTape.ts';

interface Judged {
  readonly collapsed: boolean;
  readonly voltageV: readonly number[];
  readonly wantedV: number;
  /** Feeds that fall on a pixel which has one already. */
  readonly onOne: number;
  /** Feeds that lie past its end. */
  readonly beyond: number;
}

/** What is amiss, or to be known. */
function judge({ collapsed, voltageV, wantedV, onOne, beyond }: Judged): Finding[] {
  const low = collapsed ? null : tellTapeLow(voltageV, wantedV, { isSteady: true });
  return [
    ...asInPlan(low),
    ...findingsWhere(
      [
        collapsed,
        finding(
          'tape-collapses',
          'stop',
          'The tape can’t draw that much through its rails',
          'The voltage is used up before the far end.',
          'More feeds, or less brightness.',
        ),
      ],
      [
        onOne > 0,
        finding(
          'feeds-on-one',
          'mind',
          onOne === 1
            ? 'Two feeds fall on one pixel: only their leads share what it takes'
            : `${onOne} feeds fall on a pixel that has one already`,
          'What joins the tape at the same place feeds the same piece of its rails.',
          'Put it at least a pixel farther, or leave it out.',
        ),
      ],
      [
        beyond > 0,
        finding(
          'feed-beyond',
          'mend',
          beyond === 1
            ? 'A feed lies past the end of the tape: it is taken at its last pixel'
            : `${beyond} feeds lie past the end of the tape: they are taken at its last pixel`,
          'There is nothing to solder to beyond it.',
          'Type where along the tape it is joined.',
        ),
      ],
    ),
  ];
}

/** Answers what a tape loses along its rails. */
export const tapeDropSum = defineSum({
  name: 'tape-drop',
  title: 'Voltage along a tape',
  about:
    'Voltage at every pixel for any set of feed points, each with its lead, and loads that fall off as the voltage does.',
  group: 'power',
  inputs: {
    ...tapeInputs,
    feeds: list('lengthMm', 'feeds', 'Fed at, from the start', [0], { least: 0, most: 100_000 }),
    leadsOhm: list('resistanceOhm', 'leads', 'Lead of each feed, where they differ', [], { least: 0, most: 20 }),
    load: choice(
      'load',
      'Pixels draw',
      ['less as the voltage falls', 'the same at any voltage'],
      'less as the voltage falls',
    ),
    wantedV: assume('voltageV', 'wanted', 'Least voltage wanted', 4.5, { least: 0.5, most: 48 }),
  },
  reckon: (values) => {
    const isSteady = values.load === 'the same at any voltage';
    const tape = evenTape({ ...values, ...(isSteady ? { fullAboveV: 0, endsAtV: 0 } : {}) });
    const { feeds, leadsOhm } = values;
    if (leadsOhm.length > 0 && leadsOhm.length !== feeds.length)
      throw new SumError(
        `${leadsOhm.length} leads are given for ${feeds.length} feeds; give one for each, in their order, or none`,
      );
    const pixelAt = (mm: number): number =>
      Math.min(tape.pixels - 1, Math.max(0, Math.round((mm * values.perMetre) / 1000 - 0.5)));
    const at = feeds.map(pixelAt);
    const within = feeds.filter((mm) => mm <= values.lengthMm);
    if (at.length === 0) throw new SumError('Give at least one feed, got none: feeds=0 or feeds=0,3m');
    const solved = tapeVoltages(tape, at, leadsOhm);
    const least = Math.min(...solved.voltageV);
    const where = solved.voltageV.indexOf(least);
    const askedA = tape.pixels * tape.pixelA;
    const collapsed = least < 0.1 || !Number.isFinite(least);
    return {
      results: [
        mainFigure('leastV', 'Least voltage', 'voltageV', least),
        figure('dropV', 'Lost there', 'voltageV', values.supplyV - least),
        figure('leastAtPixel', '… at pixel', 'count', where + 1),
        figure('pixels', 'Pixels', 'count', tape.pixels),
        figure('totalA', 'Draws in all', 'currentA', solved.totalA),
        figure('lostShare', 'Light current lost to the drop', 'fraction', Math.max(0, 1 - solved.totalA / askedA)),
        { form: 'figures', key: 'feedA', label: 'Each feed gives', kind: 'currentA', values: solved.feedA },
        { form: 'figures', key: 'voltageV', label: 'At each pixel', kind: 'voltageV', values: solved.voltageV },
      ],
      steps: [],
      findings: judge({
        collapsed,
        voltageV: solved.voltageV,
        wantedV: values.wantedV,
        onOne: within.length - new Set(within.map(pixelAt)).size,
        beyond: feeds.length - within.length,
      }),
      drawing: {
        kind: 'lines',
        x: { label: 'along the tape', kind: 'lengthMm' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          {
            name: 'at the pixels',
            role: 'curve',
            points: solved.voltageV.map((v, i) => [((i + 0.5) * 1000) / values.perMetre, v] as const),
          },
          {
            name: 'wanted',
            role: 'limit',
            points: [
              [0, values.wantedV],
              [values.lengthMm, values.wantedV],
            ],
          },
        ],
        marks: at.map((i) => ({
          name: 'feed',
          at: [((i + 0.5) * 1000) / values.perMetre, solved.voltageV[i] ?? 0] as const,
        })),
      },
    };
  },
});
