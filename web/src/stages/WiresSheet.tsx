import type { Assessment, CoreEnds } from '@glimmer/core/assess';
import { exportShoppingCsv, exportTemplateSvg, exportWireCsv } from '@glimmer/core/exports';
import { explainRun } from '@glimmer/core/figures';
import { sayAmount } from '@glimmer/core/items';
import { type WireRun, wireColours } from '@glimmer/core/network';
import { bands, type Design, distanceMm } from '@glimmer/core/plan';
import { soldGauges } from '@glimmer/core/wires';
import type { Draft } from 'immer';
import { ArrowDownToLine } from 'lucide-react';
import { saveFile } from '../shelf/files.ts';
import { editDesign } from '../state/planStore.ts';
import { tool, useTool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { useSheet } from './useSheet.ts';

type Override = Design['wires']['runs'][number];

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

function overrule(runId: string, change: Partial<Pick<Draft<Override>, 'lengthMm' | 'gaugeAwg' | 'colours'>>): void {
  editDesign((draft) => {
    const found = draft.wires.runs.find((run) => run.runId === runId);
    const next: Draft<Override> = { runId, lengthMm: null, gaugeAwg: null, colours: null, ...found, ...change };
    draft.wires.runs = draft.wires.runs.filter((run) => run.runId !== runId);
    if (next.lengthMm !== null || next.gaugeAwg !== null || next.colours !== null) draft.wires.runs.push(next);
  });
}

interface RunRowProps {
  readonly run: WireRun;
  readonly stock: readonly number[];
  readonly ends: readonly CoreEnds[];
}

/** The cores of a run: colour, meaning, and what each end is soldered to. */
function Cores({ run, ends }: Pick<RunRowProps, 'run' | 'ends'>) {
  const printer = usePrinter();
  return (
    <span className="flex flex-wrap gap-1 text-[12.5px] text-faint">
      {run.cores.map((core, c) => (
        <span key={core.meaning} className="flex w-full items-baseline gap-1">
          <span
            className="inline-block h-2 w-4 shrink-0 border border-faint"
            style={{ background: wireColours[core.colour.split(',')[0] ?? ''] }}
            aria-hidden="true"
          />
          <span>
            {core.colour} {core.meaning}
            {ends[c] && `: ${printer.message(ends[c].from)} to ${printer.message(ends[c].to)}`}
          </span>
        </span>
      ))}
    </span>
  );
}

function RunRow({ run, stock, ends }: RunRowProps) {
  const printer = usePrinter();
  const pointed = useTool((state) => state.pointedId === run.id);
  return (
    <tr
      className={`border-b border-rule/60 align-top ${pointed ? 'bg-pressed' : ''}`}
      onMouseEnter={() => tool.pointAt(run.id)}
      onFocus={() => tool.pointAt(run.id)}
    >
      <td className="py-1 pr-2">
        <button
          type="button"
          className="text-left underline decoration-dotted underline-offset-4"
          onClick={() => openSum(explainRun(run, run.from.at && run.to.at && distanceMm(run.from.at, run.to.at)))}
        >
          {run.name}
        </button>
        <Cores run={run} ends={ends} />
      </td>
      <td className="w-28 py-1 pr-2">
        <QuantityField
          hideLabel
          label={`Length of ${run.name}`}
          kind="lengthMm"
          value={run.lengthMm}
          band={bands.wireLengthMm}
          overruled={run.lengthOverruled}
          placeholder="not placed yet"
          onCommit={(value) => overrule(run.id, { lengthMm: value })}
          onClear={() => overrule(run.id, { lengthMm: null })}
        />
      </td>
      <td className="w-40 py-1 pr-2">
        <Choice
          hideLabel
          label={`Gauge of ${run.name}`}
          value={run.gaugeOverruled ? String(run.gaugeAwg) : 'auto'}
          overruled={run.gaugeOverruled}
          options={[
            { value: 'auto', label: run.gaugeOverruled ? 'reckoned' : `${printer.gauge(run.gaugeAwg)}, reckoned` },
            ...[...new Set([...stock, run.gaugeAwg])]
              .sort((a, b) => b - a)
              .map((gauge) => ({ value: String(gauge), label: printer.gauge(gauge) })),
          ]}
          onChoose={(value) => overrule(run.id, { gaugeAwg: value === 'auto' ? null : Number(value) })}
        />
      </td>
      <td className="figures py-1.5 text-right whitespace-nowrap text-[13px]">
        {run.peakA === null ? 'signal' : printer.quantity('currentA', run.peakA)}
        <span className="block text-faint">
          {run.peakA === null ? '' : `−${printer.quantity('voltageV', run.dropV)}`}
        </span>
      </td>
    </tr>
  );
}

/** The gauges that there are to choose from. */
function Gauges() {
  const printer = usePrinter();
  const { gaugesInStock } = useSheet().design.wires;
  return (
    <Section
      title="Gauges in the drawer"
      aside={
        <span className="text-[13px] text-faint">
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
  return (
    <Section
      title={`${assessment.runs.length} runs, ${printer.quantity('reelM', totalM, { digits: 2 })} of wire`}
      aside={
        <Button look="quiet" onClick={() => saveFile('wires.csv', exportWireCsv(assessment, printer), 'text/csv')}>
          <ArrowDownToLine size={15} />
          CSV
        </Button>
      }
    >
      <table className="w-full text-[14px]">
        <thead>
          <tr className="border-b border-rule text-left text-[13px] text-faint">
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
      </table>
      {assessment.freePorts.length > 0 && (
        <p className="mt-2 text-[14px] text-faint">Left free: {sayFree(assessment, plan.design)}.</p>
      )}
    </Section>
  );
}

/** The template for marking out, front and back. */
function Template() {
  const printer = usePrinter();
  const { plan, assessment } = useSheet();
  return (
    <Section title="Marking template">
      <p className="mb-2 text-faint">
        Full size, with every pixel numbered, every bore with its drill, and a rule to check the printer by.
      </p>
      <div className="flex gap-2">
        <Button
          onClick={() =>
            saveFile('template.svg', exportTemplateSvg(plan, assessment, 'front', printer), 'image/svg+xml')
          }
        >
          <ArrowDownToLine size={15} />
          Front, SVG
        </Button>
        <Button
          onClick={() =>
            saveFile('template-back.svg', exportTemplateSvg(plan, assessment, 'back', printer), 'image/svg+xml')
          }
        >
          <ArrowDownToLine size={15} />
          Back, mirrored
        </Button>
      </div>
    </Section>
  );
}

/** What is to be bought for one copy. */
function Shopping() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  return (
    <Section
      title="Shopping list"
      aside={
        <Button
          look="quiet"
          onClick={() =>
            saveFile('shopping.csv', exportShoppingCsv(assessment, design.piece.copies, printer), 'text/csv')
          }
        >
          <ArrowDownToLine size={15} />
          CSV
        </Button>
      }
    >
      <table className="w-full text-[13.5px]">
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
      </table>
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
