import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { SearchedInput } from '../widgets/SearchedInput.tsx';

interface LongChoiceProps {
  readonly value: string;
  readonly options: readonly string[];
  readonly nameOf: (option: string) => string;
  readonly onChoose: (option: string) => void;
  /** How its field looks. */
  readonly className: string;
}

/** Whether a name has all the words that are looked for. */
const hasWords = (name: string, query: string): boolean =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => name.toLowerCase().includes(word));

/** One out of more than are taken in at a glance: searched by words and figures. */
export function LongChoice({ value, options, nameOf, onChoose, className }: LongChoiceProps) {
  const [query, setQuery] = useState('');
  const found = query === '' ? options : options.filter((option) => hasWords(nameOf(option), query));
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
            {found.map((option) => (
              <ComboboxOption
                key={option}
                value={option}
                className="cursor-pointer rounded-sm px-2 py-1 data-focus:bg-pressed data-selected:font-semibold"
              >
                {nameOf(option)}
              </ComboboxOption>
            ))}
            {found.length === 0 && (
              <div role="presentation" className="px-2 py-1 text-faint">
                Nothing here has all of these words.
              </div>
            )}
          </ComboboxOptions>
        </>
      )}
    </Combobox>
  );
}
