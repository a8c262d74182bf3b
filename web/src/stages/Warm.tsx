import type { WarmPart } from '@glimmer/core/assess';
import { lasting } from '@glimmer/core/units';
import { Radio, RadioGroup } from '@headlessui/react';
import { lookAtWarmth, useWarmAt, type WarmAt } from '../state/warmTime.ts';
import { usePrinter } from '../units/index.ts';
import { Section } from '../widgets/Section.tsx';
import { Table } from '../widgets/Table.tsx';
import { useSheet } from './useSheet.ts';
import { WarmChart } from './WarmChart.tsx';

/** Of all times that are reckoned those that a table has room for. */
const shown: readonly { readonly time: number; readonly label: string }[] = [
  { time: 60, label: '1 min' },
  { time: 600, label: '10 min' },
  { time: 3600, label: '1 h' },
  { time: Number.POSITIVE_INFINITY, label: 'for good' },
];
const choices: readonly { readonly time: WarmAt; readonly label: string }[] = [
  { time: 'its time', label: 'its time' },
  ...shown,
];
/** Whole degrees: more is not known of what is typical of a kind. */
const useCelsius = () => {
  const printer = usePrinter();
  return (valueC: number): string => printer.quantity('temperatureC', valueC, { digits: valueC < 100 ? 2 : 3 });
};

/** Which time the picture shows. */
function AtTime() {
  const at = useWarmAt((state) => state.at);
  return (
    <RadioGroup
      value={at}
      onChange={lookAtWarmth}
      aria-label="On the picture, after"
      className="mb-1.5 flex flex-wrap items-center gap-1.5 text-small"
    >
      <span className="text-faint">On the picture, after</span>
      {choices.map(({ time, label }) => (
        <Radio
          key={time}
          value={time}
          className="cursor-pointer rounded-sm border border-rule px-1.5 py-0.5 data-checked:border-ink data-checked:bg-pressed data-checked:font-semibold"
        >
          {label}
        </Radio>
      ))}
    </RadioGroup>
  );
}

function Row({ part }: { readonly part: WarmPart }) {
  const printer = usePrinter();
  const celsius = useCelsius();
  const isTooHot = part.after.insideC > part.limitC;
  return (
    <tr className="border-t border-rule/60">
      <th scope="row" className="text-left font-sans font-normal">
        {part.name}
        {Number.isFinite(part.after.seconds) && (
          <span className="text-faint">
            {' '}
            ({printer.message(lasting(part.after.seconds))} at a time: {celsius(part.after.outsideC)})
          </span>
        )}
      </th>
      <td className="text-right">{printer.quantity('powerW', part.heatW)}</td>
      {shown.map(({ time }) => (
        <td key={time} className="text-right">
          {celsius(part.course.find(({ seconds }) => seconds === time)?.outsideC ?? part.airC)}
        </td>
      ))}
      <td className={`text-right ${isTooHot ? 'font-bold text-brick-ink' : ''}`}>{celsius(part.after.insideC)}</td>
      <td className="text-right">{celsius(part.limitC)}</td>
    </tr>
  );
}

/** What turns current to heat, and how warm each comes to be in the course of time. */
export function Warm() {
  const { design, assessment } = useSheet();
  const { parts, boxes } = assessment.warm;
  const celsius = useCelsius();
  if (parts.length === 0) return null;
  return (
    <Section title="What gets warm">
      <AtTime />
      <WarmChart parts={parts} boxes={boxes} />
      <Table className="figures w-full text-small [&_td]:whitespace-nowrap [&_td]:pl-2 [&_th]:pl-2 [&_th:first-child]:pl-0">
        <thead>
          <tr className="border-b border-rule text-left text-faint">
            <th className="font-sans font-normal">outside, after</th>
            <th className="text-right font-sans font-normal">heat, each</th>
            {shown.map(({ time, label }) => (
              <th key={time} className="text-right font-sans font-normal">
                {label}
              </th>
            ))}
            <th className="text-right font-sans font-normal">inside</th>
            <th className="text-right font-sans font-normal">bears</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <Row key={part.id} part={part} />
          ))}
          {boxes.map((box) => (
            <tr key={box.boxId} className="border-t border-rule/60">
              <th scope="row" className="text-left font-sans font-normal">
                Air in {box.name}{' '}
                <span className="text-faint">(its walls outside, for good: {celsius(box.wallC)})</span>
              </th>
              <td />
              {shown.map(({ time }) => (
                <td key={time} className="text-right">
                  {celsius(box.course.find(({ seconds }) => seconds === time)?.airC ?? box.airC)}
                </td>
              ))}
              <td />
              <td />
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="mt-0.5 text-small text-faint">
        From cold, at the brightest corner, in still air of {celsius(design.piece.ambientC)}, by what is typical of each
        kind; what lies in one box warms its air together. “Its time” and inside are after as long as it works at a
        time, for good where nothing is said.
      </p>
    </Section>
  );
}
