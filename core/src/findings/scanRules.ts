import type { Assessment } from '../assess.ts';
import { type Finding, type Fix, named, waysOf } from '../items/index.ts';
import type { Driven } from '../network/index.ts';
import { changeItem, changeWay, type Design, itemNamed } from '../plan/index.ts';
import { amps, say, seconds, volts } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { tellScanFlicker, tellScanGlow, tellScanStill } from './tellScan.ts';

type Scanned = Driven & { readonly scan: NonNullable<Driven['scan']> };

const scannedOf = ({ driven }: Assessment): readonly Scanned[] =>
  driven.filter((each): each is Scanned => each.scan !== null);

const about = (itemId: string) => ({ stage: 'drive', aboutId: itemId }) as const;

/** Columns that end at transistors, which let go of them while they are dark. */
export function columnsOnTransistors(design: Design, { itemId, scan }: Driven): Fix[] {
  const item = itemNamed(design, itemId);
  const said = item && waysOf(item)[0];
  if (said?.way !== 'scanned grid' || scan?.columnSwitch) return [];
  return [
    {
      label: 'Columns on transistors',
      edits: changeWay(design, itemId, { ...said, columnsBy: 'transistor' }),
    },
  ];
}

/** What is seen of lights that should be dark, and what cures it. */
export const scanGlowRule: Rule = ({ design, assessment }) =>
  scannedOf(assessment).flatMap((driven): Finding[] => {
    const { itemId, name, scan } = driven;
    const item = itemNamed(design, itemId);
    const told = tellScanGlow({ name, ...scan });
    if (!told || !item || !('diodes' in item || 'places' in item)) return [];
    const by = waysOf(item).find((way) => way.way === 'scan driver');
    const idle: Fix[] =
      by && 'by' in by && itemNamed(design, by.by)
        ? [
            {
              label: say`Hold columns at rest ${volts(SAFE_IDLE_V)} below its supply`,
              edits: changeItem(design, by.by, { idleBelowV: SAFE_IDLE_V }),
            },
          ]
        : [];
    return [
      {
        ...about(itemId),
        ...told,
        ...named(told.rule, itemId),
        fixes: [
          ...idle,
          ...columnsOnTransistors(design, driven),
          ...(scan.hasDiodes
            ? []
            : [{ label: 'A diode behind each light', edits: changeItem(design, itemId, { diodes: true }) }]),
        ],
      },
    ];
  });

/** Below it no light of any colour glows. */
const SAFE_IDLE_V = 0.8;

/** Rows that its lights do not fill. */
export const scanRowsRule: Rule = ({ design, assessment }) =>
  scannedOf(assessment).flatMap(({ itemId, name, scan }): Finding[] => {
    const item = itemNamed(design, itemId);
    const said = item && waysOf(item)[0];
    const { turns, atOnce } = scan.layout;
    if (!said || !('rows' in said) || said.rows === turns) return [];
    return [
      {
        ...about(itemId),
        ...named('scan-rows', itemId),
        gravity: 'mend',
        actual: { kind: 'count', value: turns },
        limit: { kind: 'count', value: said.rows },
        what: `${name} is to have ${said.rows} rows; its lights fill ${turns}, of ${atOnce} each`,
        why: 'A row without a light would take a turn, a pin and a wire for nothing, so it is left out.',
        mend: 'Lay out as many lights as you want rows of, or take fewer rows.',
        fixes: [{ label: `Take ${turns} rows`, edits: changeWay(design, itemId, { ...said, rows: turns }) }],
      },
    ];
  });

/** Pictures that follow each other too slowly for the eye. */
export const scanFlickerRule: Rule = ({ assessment }) =>
  scannedOf(assessment).flatMap((driven): Finding[] => {
    const { itemId, name, scan } = driven;
    const told = tellScanFlicker({ name, turns: scan.layout.turns, picturesPerS: scan.picturesPerS });
    return told ? [{ ...about(itemId), ...told, ...named(told.rule, itemId), fixes: [] }] : [];
  });

/** What one light carries for good if the program stands still in its turn. */
export const scanStillRule: Rule = ({ assessment }) =>
  scannedOf(assessment).flatMap((driven): Finding[] => {
    const { itemId, name, scan, corners } = driven;
    // A part that scans by itself goes on without the program.
    const told = scan.driver ? null : tellScanStill({ name, brightestA: corners.mostA, ratedA: scan.ratedA });
    return told ? [{ ...about(itemId), ...told, ...named(told.rule, itemId), fixes: [] }] : [];
  });

/** More than one thing that one program, one driver or one clock can scan. */
export const scanClashRule: Rule = ({ design, assessment }) => {
  const scanned = scannedOf(assessment);
  const keyOf = (driven: Scanned): string => {
    const item = itemNamed(design, driven.itemId);
    const by = item && waysOf(item).find((way) => way.way === 'scan driver');
    return by && 'by' in by ? by.by : `program of ${driven.board?.id ?? ''}`;
  };
  return scanned.flatMap((driven, i): Finding[] => {
    const before = scanned.slice(0, i).find((each) => keyOf(each) === keyOf(driven));
    if (!before) return [];
    return [
      {
        ...about(driven.itemId),
        ...named('scan-clash', driven.itemId),
        gravity: 'stop',
        what: `${driven.name} and ${before.name} are both scanned by ${driven.scan.driver ? 'one driver' : `the program of ${driven.board?.name ?? 'one board'}`}`,
        why: driven.scan.driver
          ? 'Its lines would be joined with those of the other.'
          : 'One clock takes the turns of one grid: the second would stay dark.',
        mend: 'Give it a scan driver or a board of its own.',
        fixes: [],
      },
    ];
  });
};

/** A grid that has more rows or columns than the part that scans it. */
export const scanDriverRule: Rule = ({ assessment }) =>
  scannedOf(assessment).flatMap((driven): Finding[] => {
    const { itemId, name, scan, loop, corners } = driven;
    const { driver, layout } = scan;
    if (!driver) return [];
    const rows = layout.turns;
    const columns = layout.atOnce;
    const findings: Finding[] = [];
    if (rows > driver.rows || columns > driver.columns)
      findings.push({
        ...about(itemId),
        ...named('scan-lines', itemId),
        gravity: 'stop',
        what: `${name} has ${rows} rows of ${columns}; its driver has lines for ${driver.rows} rows of ${driver.columns}`,
        why: 'What is beyond its lines is wired to nothing.',
        mend: 'Take a larger driver, or share the lights among two.',
        fixes: [],
      });
    const heldA = loop.heldA ?? 0;
    if (corners.currentA < heldA * 0.97)
      findings.push({
        ...about(itemId),
        ...named('scan-drop-out', itemId),
        gravity: 'mend',
        actual: { kind: 'currentA', value: corners.currentA },
        limit: { kind: 'currentA', value: heldA },
        what: say`${name} gets ${amps(corners.currentA)} of the ${amps(heldA)} that its driver is to hold`,
        why: 'What the light drops leaves too little for the driver’s columns.',
        mend: 'Feed the driver from a higher rail, ask for less, or take lights of a lower drop.',
        fixes: [],
      });
    return findings;
  });

/** Pixels on the board that scans: while they are sent nothing else is done. */
export const scanStallRule: Rule = ({ assessment }) =>
  scannedOf(assessment).flatMap((driven): Finding[] => {
    const { itemId, name, scan, board } = driven;
    if (scan.driver || !board?.part.scan) return [];
    const sent = assessment.dataLines.filter((line) => line.board?.id === board.id);
    const sendS = sent.reduce((sum, { line }) => sum + line.frameS, 0);
    const turnS = 1 / scan.picturesPerS / scan.layout.turns;
    if (sendS <= turnS) return [];
    return [
      {
        ...about(itemId),
        ...named('scan-stall', itemId),
        gravity: 'mend',
        actual: { kind: 'timeS', value: sendS },
        limit: { kind: 'timeS', value: turnS },
        what: say`${name} goes dark for ${seconds(sendS)} in every frame while ${board.name} sends its pixels`,
        why: 'Pixels are sent with all else held; the lights that take turns are kept dark meanwhile, and it is seen as a flicker.',
        mend: 'Put the pixels on another board, or give the grid a scan driver.',
        fixes: [],
      },
    ];
  });
