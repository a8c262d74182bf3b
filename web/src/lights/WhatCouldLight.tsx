import { chooseKind, type KindOption, type Wish } from '@glimmer/core/choice';
import { applyEdits } from '@glimmer/core/plan';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { changeDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Whole } from '../units/Whole.tsx';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { Table } from '../widgets/Table.tsx';
import { tellDone } from '../widgets/tellDone.ts';

const controls = [
  { value: 'as one', label: 'all as one' },
  { value: 'a run', label: 'a run along it' },
  { value: 'each by itself', label: 'each by itself' },
] as const;
const colours = [
  { value: 'one colour', label: 'one colour' },
  { value: 'white', label: 'white' },
  { value: 'any colour', label: 'any colour, mixed' },
] as const;

const bands = {
  points: { least: 1, most: 2000, usual: [1, 500] },
  stretchMm: { least: 1, most: 20_000, usual: [20, 6000] },
  depthMm: { least: 0.5, most: 500, usual: [2, 80] },
  mostA: { least: 0.001, most: 60, usual: [0.02, 10] },
  budget: { least: 0, most: 1e6, usual: [1, 500] },
} as const;

const begin: Omit<Wish, 'railV'> = {
  points: 12,
  stretchMm: null,
  control: 'as one',
  colour: 'one colour',
  isEven: false,
  depthMm: null,
  mostA: null,
  budget: null,
};

interface AskedProps {
  readonly wish: Omit<Wish, 'railV'>;
  readonly set: (fields: Partial<Wish>) => void;
}

/** What is wished, as rows. */
function Asked({ wish, set }: AskedProps) {
  return (
    <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2">
      <QuantityField
        label="Points"
        kind="count"
        value={wish.points}
        band={bands.points}
        placeholder="a stretch instead"
        onCommit={(points) => set({ points: Math.round(points), stretchMm: null })}
        onClear={() => set({ points: null, stretchMm: wish.stretchMm ?? 300 })}
      />
      <QuantityField
        label="Or a stretch of"
        kind="lengthMm"
        value={wish.stretchMm}
        band={bands.stretchMm}
        placeholder="points instead"
        onCommit={(stretchMm) => set({ stretchMm, points: null })}
        onClear={() => set({ stretchMm: null, points: wish.points ?? 12 })}
      />
      <Choice label="What moves" value={wish.control} options={controls} onChoose={(control) => set({ control })} />
      <Choice label="Its colour" value={wish.colour} options={colours} onChoose={(colour) => set({ colour })} />
      <QuantityField
        label="Depth behind it"
        kind="lengthMm"
        value={wish.depthMm}
        band={bands.depthMm}
        placeholder="enough"
        onCommit={(depthMm) => set({ depthMm })}
        onClear={() => set({ depthMm: null })}
      />
      <QuantityField
        label="Current that there is"
        kind="currentA"
        value={wish.mostA}
        band={bands.mostA}
        placeholder="enough"
        onCommit={(mostA) => set({ mostA })}
        onClear={() => set({ mostA: null })}
      />
      <QuantityField
        label="Money that there is"
        kind="money"
        value={wish.budget}
        band={bands.budget}
        placeholder="enough"
        onCommit={(budget) => set({ budget })}
        onClear={() => set({ budget: null })}
      />
      <div className="self-end">
        <Tick label="An even glow, not points" checked={wish.isEven} onChange={(isEven) => set({ isEven })} />
      </div>
    </div>
  );
}

/** One kind that can, with what it asks. */
function OptionRow({ option }: { readonly option: KindOption }) {
  const printer = usePrinter();
  const take = (): void => {
    changeDesign((design) =>
      applyEdits(
        design,
        option.add(design, () => nanoid(8)),
      ),
    );
    tellDone(`${option.name}: in the plan`);
  };
  return (
    <tr className="border-t border-rule/60 align-top">
      <td className="py-1 pr-2">
        <Whole>{option.name}</Whole>
        {option.misses.map((miss, i) => (
          <p key={i} className="text-small text-amber-ink">
            <Said>{miss}</Said>
          </p>
        ))}
      </td>
      <td className="figures py-1 pr-3 whitespace-nowrap">{option.pins === 0 ? 'none' : option.pins}</td>
      <td className="figures py-1 pr-3 whitespace-nowrap">
        {printer.quantity('currentA', option.worstA)}
        <p className="text-faint">{printer.quantity('currentA', option.usualA)}</p>
      </td>
      <td className="figures py-1 pr-3 whitespace-nowrap">{option.joints}</td>
      <td className="figures py-1 pr-3 whitespace-nowrap">{printer.quantity('money', option.cost)}</td>
      <td className="figures py-1 pr-3 whitespace-nowrap">{printer.quantity('lengthMm', option.depthMm)}</td>
      <td className="text-right">
        <Button look="quiet" aria-label={`Take: ${option.name}`} onClick={take}>
          Take
        </Button>
      </td>
    </tr>
  );
}

const headings = ['kind', 'pins', 'at most, usual', 'joints', 'cost', 'depth', ''] as const;

/** The kinds of light for what is wished: those that can, ranked, and those that can’t, with the reason. */
export function WhatCouldLight() {
  const { assessment } = useSheet();
  const [asked, setAsked] = useState(begin);
  const rail = assessment.rails.mainId === null ? undefined : assessment.rails.byId.get(assessment.rails.mainId);
  const { options, excluded } = chooseKind({ ...asked, railV: rail?.range?.nominalV ?? 5 });
  return (
    <details className="no-print mt-2 mb-2">
      <summary className="cursor-pointer font-semibold text-verdigris">What could light this?</summary>
      <Asked wish={asked} set={(fields) => setAsked((now) => ({ ...now, ...fields }))} />
      <Table className="mt-2 w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            {headings.map((heading) => (
              <th key={heading} className="pr-3 font-normal">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {options.map((option) => (
            <OptionRow key={option.id} option={option} />
          ))}
        </tbody>
      </Table>
      <p className="mt-2 font-semibold">Can’t</p>
      <ul className="text-small">
        {excluded.map(({ id, name, reason }) => (
          <li key={id} className="text-faint">
            <Whole>{name}</Whole>: <Said>{reason}</Said>.
          </li>
        ))}
      </ul>
    </details>
  );
}
