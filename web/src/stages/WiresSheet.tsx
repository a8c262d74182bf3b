import type { Assessment } from '@glimmer/core/assess';
import {
  exportShoppingCsv,
  exportTemplateSvg,
  exportTemplateTiles,
  exportWireCsv,
  type Paper,
  papers,
} from '@glimmer/core/exports';
import { sayAmount } from '@glimmer/core/items';
import { isJoint } from '@glimmer/core/network';
import type { Design } from '@glimmer/core/plan';
import { soldGauges } from '@glimmer/core/wires';
import { ArrowDownToLine } from 'lucide-react';
import { type Reckoned, useReckonedNow } from '../reckoning/index.ts';
import { saveFile } from '../shelf/files.ts';
import { editDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { Table } from '../widgets/Table.tsx';
import { RunRow } from './RunRow.tsx';
import { useSheet } from './useSheet.ts';

interface TakeOutProps {
  readonly label: string;
  readonly look?: 'quiet' | 'plain';
  readonly file: string;
  readonly mime: string;
  readonly write: (reckoned: Reckoned) => string;
}

/** Takes a list or a drawing out as a file. */
function TakeOut({ label, look = 'plain', file, mime, write }: TakeOutProps) {
  const reckonedNow = useReckonedNow();
  return (
    <Button look={look} onClick={() => saveFile(file, write(reckonedNow()), mime)}>
      <ArrowDownToLine size={15} />
      {label}
    </Button>
  );
}

/** What is left free on purpose, item by item. @example "Board: pins 4, 7; Lower jaw: data out" */
function sayFree({ freePorts }: Assessment, design: Design): string {
  const byItem = new Map<string, string[]>();
  for (const { item, port } of freePorts) byItem.set(item, [...(byItem.get(item) ?? []), port]);
  return [...byItem]
    .map(([id, ports]) => {
      const pins = ports.filter((port) => port.startsWith('pin ')).map((port) => port.slice(4));
      const others = ports.filter((port) => !port.startsWith('pin '));
      const words = [...(pins.length > 0 ? [`pin${pins.length > 1 ? 's' : ''} ${pins.join(', ')}`] : []), ...others];
      return `${design.items.find((item) => item.id === id)?.name ?? id}: ${words.join(', ')}`;
    })
    .join('; ');
}

/** The gauges that there are to choose from. */
function Gauges() {
  const printer = usePrinter();
  const { gaugesInStock } = useSheet().design.wires;
  return (
    <Section
      title="Gauges in the drawer"
      aside={
        <span className="text-small text-faint">
          {printer.units.wire === 'gauge' ? 'American wire gauge' : 'mm² of copper'}
        </span>
      }
    >
      <div className="flex flex-wrap gap-1">
        {soldGauges.map((gauge) => {
          const has = gaugesInStock.includes(gauge);
          return (
            <button
              key={gauge}
              type="button"
              aria-pressed={has}
              disabled={has && gaugesInStock.length === 1}
              onClick={() =>
                editDesign((draft) => {
                  const others = draft.wires.gaugesInStock.filter((each) => each !== gauge);
                  // One is always kept: every run needs one.
                  if (!has || others.length > 0) draft.wires.gaugesInStock = has ? others : [...others, gauge];
                })
              }
              className={`figures tag border px-3 py-1 ${has ? 'border-verdigris bg-verdigris text-on-verdigris' : 'border-rule bg-paper text-faint'}`}
            >
              {printer.gauge(gauge)}
            </button>
          );
        })}
      </div>
    </Section>
  );
}

/** Every run with its cores, to be cut and soldered by. */
function Runs() {
  const printer = usePrinter();
  const { plan, design, assessment } = useSheet();
  const { gaugesInStock } = design.wires;
  const totalM = assessment.runs.reduce((sum, run) => sum + ((run.lengthMm ?? 0) * run.cores.length) / 1000, 0);
  const hasLegs = assessment.joins.some(({ bare }) => bare === 'legs');
  const joined = assessment.joins.filter(isJoint).flatMap(({ id }) => assessment.coreEnds.get(id) ?? []);
  return (
    <Section
      title={`${assessment.runs.length} runs, ${printer.quantity('reelM', totalM, { digits: 2 })} of wire`}
      aside={
        <TakeOut
          label="CSV"
          look="quiet"
          file="wires.csv"
          mime="text/csv"
          write={({ assessment: now }) => exportWireCsv(now, printer)}
        />
      }
    >
      <Table className="w-full text-body">
        <thead className="max-sm:sr-only">
          <tr className="border-b border-rule text-left text-small text-faint">
            <th className="font-normal">run and cores</th>
            <th className="font-normal">cut to</th>
            <th className="font-normal">gauge</th>
            <th className="text-right font-normal">peak, drop</th>
          </tr>
        </thead>
        <tbody>
          {assessment.runs.map((run) => (
            <RunRow key={run.id} run={run} stock={gaugesInStock} ends={assessment.coreEnds.get(run.id) ?? []} />
          ))}
        </tbody>
      </Table>
      {joined.length > 0 && (
        <p className="mt-2 text-body">
          At one place, joined without a wire of this list:{' '}
          {joined.map(({ from, to }) => `${printer.message(from)} to ${printer.message(to)}`).join('; ')}.
        </p>
      )}
      {hasLegs && (
        <p className="mt-2 text-body text-faint">
          How the legs of resistors and other small parts are joined is a step of the bench, and in the CSV joint by
          joint.
        </p>
      )}
      {assessment.freePorts.length > 0 && (
        <p className="mt-2 text-body text-faint">Left free: {sayFree(assessment, plan.design)}.</p>
      )}
    </Section>
  );
}

/** The template for marking out, front and back. */
function Template() {
  const printer = usePrinter();
  return (
    <Section title="Marking template">
      <p className="mb-2 text-faint">
        Full size, with every pixel numbered, every bore with its drill, and a rule to check the printer by.
      </p>
      <div className="flex flex-wrap gap-2">
        <TakeOut
          label="Front, SVG"
          file="template.svg"
          mime="image/svg+xml"
          write={({ plan, assessment }) => exportTemplateSvg(plan, assessment, 'front', printer)}
        />
        <TakeOut
          label="Back, mirrored"
          file="template-back.svg"
          mime="image/svg+xml"
          write={({ plan, assessment }) => exportTemplateSvg(plan, assessment, 'back', printer)}
        />
        {(Object.keys(papers) as Paper[]).map((paper) => (
          <TakeOut
            key={paper}
            label={`Front, on sheets of ${paper}`}
            file={`template-${paper.toLowerCase()}.html`}
            mime="text/html"
            write={({ plan, assessment }) => exportTemplateTiles(plan, assessment, 'front', paper, printer)}
          />
        ))}
      </div>
      <p className="mt-1 text-small text-faint">
        Larger than your printer’s paper? Take it out on sheets: open the file and print it at 100 %, then lay cross on
        cross.
      </p>
    </Section>
  );
}

/** What is to be bought for one copy. */
function Shopping() {
  const printer = usePrinter();
  const { assessment } = useSheet();
  return (
    <Section
      title="Shopping list"
      aside={
        <TakeOut
          label="CSV"
          look="quiet"
          file="shopping.csv"
          mime="text/csv"
          write={({ plan, assessment: now }) => exportShoppingCsv(now, plan.design.piece.copies, printer)}
        />
      }
    >
      <Table className="w-full text-small">
        <tbody>
          {assessment.shopping.map((line) => (
            <tr key={printer.message(line.name)} className="border-b border-rule/60">
              <td className="py-0.5">
                <Said>{line.name}</Said>
              </td>
              <td className="figures text-right whitespace-nowrap">
                <Said>{sayAmount(line)}</Said>
              </td>
              <td className="figures w-20 text-right">{printer.quantity('money', line.cost)}</td>
            </tr>
          ))}
          <tr className="font-semibold">
            <td className="py-1">One copy, by usual prices</td>
            <td />
            <td className="figures text-right">{printer.quantity('money', assessment.costPerCopy)}</td>
          </tr>
        </tbody>
      </Table>
    </Section>
  );
}

/** Stage 6. */
export default function WiresSheet() {
  const { assessment } = useSheet();
  return (
    <>
      {assessment.runs.length === 0 && (
        <BeginHere>
          Wires follow from the lights, the controller and the pack: place those first, then drag board and pack to
          where they sit.
        </BeginHere>
      )}
      <Gauges />
      {assessment.runs.length > 0 && <Runs />}
      {assessment.placed.length > 0 && <Template />}
      {assessment.shopping.length > 0 && <Shopping />}
    </>
  );
}
