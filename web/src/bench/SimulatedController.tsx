import type { Assessment } from '@glimmer/core/assess';
import { fingerprint } from '@glimmer/core/exports';
import { kindOf } from '@glimmer/core/items';
import { lightOfChannel, spokenBy, type Told } from '@glimmer/core/motion';
import { scanLineId } from '@glimmer/core/network';
import { controlsOf, type Design, itemNamed } from '@glimmer/core/plan';
import { useEffect, useMemo, useState } from 'react';
import { type PieceMoment, usePieceStore } from '../picture/pieceStore.ts';
import { useSheet } from '../stages/useSheet.ts';
import { Section } from '../widgets/Section.tsx';
import { Table } from '../widgets/Table.tsx';
import { followTelling, type SaidLine } from './telling.ts';

const MOST_LINES = 60;

/** What a contact gives its pin, which most close to minus. */
function describeContact(design: Design, id: string, isOn: boolean): string {
  const item = itemNamed(design, id);
  const goesHigh = item && kindOf(item.kind).control?.closedLevel === 'high';
  if (goesHigh) return isOn ? 'high: it tells' : 'low: at rest';
  return isOn ? 'low: closed' : 'high: open';
}

/** What the program says for itself, line by line. */
function useSaid(mark: string, told: Told): readonly SaidLine[] {
  const [said, setSaid] = useState<readonly SaidLine[]>([]);
  useEffect(() => {
    setSaid([]);
    return followTelling(mark, told, (line) => setSaid((before) => [...before, line].slice(-MOST_LINES)));
  }, [mark, told]);
  return said;
}

/** What the pin of a line that lights share does: how bright its lights are, each in its turn. */
function describeLine(demandId: string, { show, driven }: Assessment, moment: PieceMoment): string | null {
  for (const { itemId, scan } of driven) {
    const line = scan?.layout.lines.find((each) => scanLineId(itemId, each) === demandId);
    const group = show.groups.find((each) => each.id === itemId);
    if (!scan || !line || !group) continue;
    const lights = line.joins.map(({ light }) => moment.frame[group.offset + light] ?? 0);
    const lit = lights.filter((light) => light > 0).length;
    const mean = lights.reduce((sum, light) => sum + light, 0) / 255 / Math.max(1, lights.length);
    return `one turn of ${scan.layout.turns}${line.kind === 'row' ? '' : ' for each'}: ${lit} of ${lights.length} lit, ${Math.round(mean * 100)} %`;
  }
  return null;
}

const describeChannel = ({ pulses }: Assessment['show']['groups'][number], level: number): string =>
  pulses
    ? `pulses of ${((level > 0 ? pulses.workS : pulses.restS) * 1000).toFixed(2)} ms`
    : `${Math.round((level / 255) * 100)} % of the time high`;

/** What a pin does at a moment, in words. */
function describePin(design: Design, demandId: string, assessment: Assessment, moment: PieceMoment): string {
  const { show, chains } = assessment;
  const line = describeLine(demandId, assessment, moment);
  if (line !== null) return line;
  const [kind, id, number] = demandId.split(':');
  if (kind === 'scan') return number === 'latch' ? 'a pulse a frame' : 'every light, bit by bit';
  if (kind === 'control') {
    const index = show.controls.findIndex((control) => control.id === id);
    const [control, state] = [show.controls[index], moment.state.controls[index]];
    if (!control || !state) return '';
    if (!control.sensing) return describeContact(design, control.id, state.isOn);
    const { emptyCode, fullCode } = control.sensing;
    return `reads about ${Math.round(emptyCode + ((fullCode - emptyCode) * state.level) / 255)}`;
  }
  const group = show.groups.find((each) => each.id === id);
  if (!group) return '';
  if (kind === 'channel') {
    return describeChannel(group, lightOfChannel(moment.frame, group, Number(number ?? 1) - 1));
  }
  const ids = chains.find((chain) => chain.tapeIds[0] === id)?.tapeIds ?? [];
  const pixels = ids.reduce((sum, each) => sum + (show.groups.find((row) => row.id === each)?.points ?? 0), 0);
  const first = [...moment.frame.slice(group.offset, group.offset + 3)].map((byte) =>
    byte.toString(16).padStart(2, '0'),
  );
  return `${pixels} pixels, the first ${first.join(' ')}`;
}

/** A controller in place of the hardware: the program's engine with the pins of the plan, and what it says. */
export function SimulatedController() {
  const { plan, design, assessment } = useSheet();
  const moment = usePieceStore((state) => state.moment);
  const mark = useMemo(() => fingerprint(plan.design), [plan.design]);
  const told = useMemo(() => spokenBy(plan.design, controlsOf(plan.design)), [plan.design]);
  const said = useSaid(mark, told);
  const given = assessment.pins.flatMap(({ plan }) => plan.given);
  if (!moment || given.length === 0) return null;
  return (
    <Section title="The controller, simulated">
      <p className="mb-1 text-small text-faint">
        It runs the engine of the exported program, byte for byte. Hands on the controls are below the picture; what a
        real board says and does should be the same.
      </p>
      <div className="grid grid-cols-[1fr_1.3fr] gap-3">
        <pre
          role="log"
          className="figures h-44 overflow-y-auto border border-rule bg-paper px-2 py-1 text-tiny leading-5"
          aria-label="What the controller says"
        >
          {said.map(({ atMs, text }) => `${(atMs / 1000).toFixed(2).padStart(8)} s  ${text}\n`).join('')}
        </pre>
        <Table className="figures self-start text-tiny">
          <tbody>
            {given.map(({ demand, pin }) => (
              <tr key={demand.id} className="border-b border-rule/60">
                <td className="w-10 align-top font-semibold">{pin.name}</td>
                <td className="pr-2 align-top">{demand.label}</td>
                <td className="align-top text-faint">{describePin(design, demand.id, assessment, moment)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
    </Section>
  );
}
