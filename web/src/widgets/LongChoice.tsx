import { decidingFigures, groupOfPart, type Part } from '@glimmer/core/parts';
import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { usePrinter } from '../units/index.ts';
import { Group, hasWords, NothingFound, PartLine } from './PartList.tsx';
import { SearchedInput } from './SearchedInput.tsx';

interface LongChoiceProps {
  readonly value: string;
  readonly options: readonly string[];
  readonly nameOf: (option: string) => string;
  /** The part that an option stands for; undefined where it stands for none. */
  readonly partOf: (option: string) => Part | undefined;
  readonly onChoose: (option: string) => void;
  /** How its field looks. */
  readonly className: string;
}

/** One out of more than are taken in at a glance: in groups, searched by words and figures. */
export function LongChoice({ value, options, nameOf, partOf, onChoose, className }: LongChoiceProps) {
  const printer = usePrinter();
  const [query, setQuery] = useState('');
  const groupOf = (option: string): string | null => {
    const part = partOf(option);
    return part ? groupOfPart(part) : null;
  };
  const textOf = (option: string): string => {
    const part = partOf(option);
    return `${nameOf(option)} ${part ? printer.message(decidingFigures(part)) : ''} ${groupOf(option) ?? ''}`;
  };
  const found = query === '' ? options : options.filter((option) => hasWords(textOf(option), query));
  const groups = [...new Set(found.map(groupOf))];
  return (
    <Combobox
      value={value}
      onChange={(next: string | null) => {
        if (next !== null) onChoose(next);
      }}
      onClose={() => setQuery('')}
    >
      {({ open }) => (
        <>
          <SearchedInput open={open} nameOf={nameOf} onQuery={setQuery} className={className} />
          <ComboboxOptions
            modal={false}
            anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
            className="z-50 max-h-80 w-[min(30rem,calc(100vw-1rem))] overflow-y-auto rounded-sm border border-edge bg-sheet p-1 text-body shadow-lg empty:invisible"
          >
            {groups.map((group) => (
              <Group key={group} title={group}>
                {found
                  .filter((option) => groupOf(option) === group)
                  .map((option) => (
                    <ComboboxOption
                      key={option}
                      value={option}
                      className="cursor-pointer rounded-sm px-2 py-1 data-focus:bg-pressed data-selected:font-semibold"
                    >
                      <PartLine name={nameOf(option)} part={partOf(option) ?? null} />
                    </ComboboxOption>
                  ))}
              </Group>
            ))}
            {found.length === 0 && <NothingFound />}
          </ComboboxOptions>
        </>
      )}
    </Combobox>
  );
}
