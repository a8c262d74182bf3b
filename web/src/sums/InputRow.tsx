import { resistorsInStock } from '@glimmer/core/parts';
import { type Input, type QuickSum, showInput } from '@glimmer/core/sums';
import type { Message } from '@glimmer/core/units';
import { Description, Field, Input as HeadlessInput, Label, Select } from '@headlessui/react';
import { WordHelp } from '../help/WordHelp.tsx';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { LongChoice } from '../widgets/LongChoice.tsx';
import { useDesk } from './deskStore.ts';

interface InputRowProps {
  readonly sum: QuickSum;
  readonly name: string;
  readonly input: Input;
  readonly text: string;
  readonly problem: Message | null;
  readonly onType: (text: string) => void;
}

const box = 'w-full min-w-0 rounded-sm border bg-paper px-2 py-0.5 text-ink placeholder:text-faint';

/** More than so many are searched rather than looked through. */
const LONG = 12;

/** One line of a card's form: what is typed stays as it was typed; what is wrong with it stands below. */
export function InputRow({ sum, name, input, text, problem, onType }: InputRowProps) {
  const printer = usePrinter();
  const drawer = useDesk((state) => state.drawer);
  const usual =
    'initial' in input && !(input.as === 'quantity' && input.needed)
      ? showInput(sum, name, input.initial, printer)
      : '';
  const inDrawer = name === 'stock' && input.as === 'list' ? resistorsInStock(drawer) : [];
  return (
    <Field
      className={`grid items-center gap-x-2 py-[3px] ${input.as === 'choice' && input.called ? '' : 'grid-cols-[minmax(0,1fr)_minmax(0,10.5rem)]'}`}
    >
      <span className="flex items-center">
        <Label className="text-small leading-tight text-faint">
          {input.label}
          {input.hint && <span className="block text-tiny">{input.hint}</span>}
        </Label>
        <WordHelp label={input.label} />
      </span>
      {input.as === 'choice' && input.options.length > LONG ? (
        <LongChoice
          value={text || input.initial}
          options={input.options}
          nameOf={(option) => input.called?.[option] ?? option}
          partOf={(option) => input.parts?.get(option)}
          onChoose={onType}
          className={box}
        />
      ) : input.as === 'choice' ? (
        <Select
          value={text || input.initial}
          onChange={(event) => onType(event.target.value)}
          className={`${box} border-edge`}
        >
          {input.options.map((option) => (
            <option key={option} value={option} className="bg-sheet text-ink">
              {input.called?.[option] ?? option}
            </option>
          ))}
        </Select>
      ) : (
        <HeadlessInput
          type="text"
          autoComplete="off"
          value={text}
          placeholder={usual}
          invalid={problem !== null}
          onChange={(event) => onType(event.target.value)}
          className={`figures ${box} ${problem === null ? 'border-edge' : 'border-brick-ink'}`}
        />
      )}
      {inDrawer.length > 0 && (
        <button
          type="button"
          className="col-start-2 text-left text-small text-verdigris underline"
          onClick={() => onType(inDrawer.map((ohm) => showInput(sum, name, [ohm], printer)).join(', '))}
        >
          from your drawer ({inDrawer.length})
        </button>
      )}
      {problem !== null && (
        <Description role="alert" className="col-span-2 text-small text-brick-ink">
          <Said>{problem}</Said>
        </Description>
      )}
    </Field>
  );
}
