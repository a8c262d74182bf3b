import type { CoreEnds } from '@glimmer/core/assess';
import { explainRun } from '@glimmer/core/figures';
import { type WireRun, wireColours } from '@glimmer/core/network';
import { bands, type Design, distanceMm } from '@glimmer/core/plan';
import { say } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { SumOfRun } from '../items/SumOf.tsx';
import { editDesign } from '../state/planStore.ts';
import { tool, useTool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';

type Override = Design['wires']['runs'][number];

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
  return (
    <span className="flex flex-wrap gap-1 text-tiny text-faint">
      {run.cores.map((core, c) => (
        <span key={core.meaning} className="flex w-full items-baseline gap-1">
          <span
            className="inline-block h-2 w-4 shrink-0 border border-faint"
            data-own-colour
            style={{ background: wireColours[core.colour.split(',')[0] ?? ''] }}
            aria-hidden="true"
          />
          <span>
            {core.colour} {core.meaning}
            {ends[c] && (
              <>
                {': '}
                <Said>{say`${ends[c].from} to ${ends[c].to}`}</Said>
              </>
            )}
          </span>
        </span>
      ))}
    </span>
  );
}

/** One wire run: its cores, its ends, and length and gauge as reckoned or as the maker says. */
export function RunRow({ run, stock, ends }: RunRowProps) {
  const printer = usePrinter();
  const pointed = useTool((state) => state.pointedId === run.id);
  return (
    <tr
      className={`border-b border-rule/60 align-top max-sm:grid max-sm:grid-cols-[6rem_minmax(0,1fr)_auto] ${pointed ? 'bg-pressed' : ''}`}
      onMouseEnter={() => tool.pointAt(run.id)}
      onFocus={() => tool.pointAt(run.id)}
    >
      {/* On a narrow screen its cores have the whole width, and what is decided stands below them. */}
      <td className="py-1 pr-2 max-sm:col-span-full">
        <button
          type="button"
          className="text-left underline decoration-dotted underline-offset-4"
          onClick={() => openSum(explainRun(run, run.from.at && run.to.at && distanceMm(run.from.at, run.to.at)))}
        >
          {run.name}
        </button>
        <Cores run={run} ends={ends} />
      </td>
      <td className="w-28 py-1 pr-2 max-sm:w-auto">
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
      <td className="w-44 py-1 pr-2 max-sm:w-auto">
        <div className="flex items-center gap-1">
          <div className="min-w-0 flex-1">
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
          </div>
          {(run.peakA ?? 0) > 0 && run.lengthMm !== null && (
            <SumOfRun
              runId={run.id}
              name={run.name}
              onBack={(gaugeAwg) => overrule(run.id, { gaugeAwg: Math.floor(gaugeAwg) })}
            />
          )}
        </div>
      </td>
      <td className="figures py-1.5 text-right whitespace-nowrap text-small">
        {run.peakA === null ? 'signal' : printer.quantity('currentA', run.peakA)}
        <span className="block text-faint">
          {run.peakA === null ? '' : `−${printer.quantity('voltageV', run.dropV)}`}
        </span>
      </td>
    </tr>
  );
}
