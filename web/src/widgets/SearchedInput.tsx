import { ComboboxButton, ComboboxInput } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';

/** Opens a list as the arrow key does: a click opens it too, but who only passes by with Tab is shown nothing. */
const openList = (field: HTMLElement): void => {
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }));
};

interface SearchedInputProps {
  readonly open: boolean;
  readonly nameOf: (value: string) => string;
  readonly onQuery: (query: string) => void;
  /** How its field looks. */
  readonly className: string;
}

/** The field of a list that is searched by words: what is chosen stands in it until something is typed. */
export const SearchedInput = ({ open, nameOf, onQuery, className }: SearchedInputProps) => (
  <div className="relative min-w-0">
    <ComboboxInput
      autoComplete="off"
      displayValue={nameOf}
      onChange={(event) => onQuery(event.target.value)}
      onFocus={(event) => event.target.select()}
      onClick={(event) => {
        if (!open) openList(event.currentTarget);
      }}
      className={`${className} truncate border-edge pr-7`}
    />
    <ComboboxButton aria-label="Open the list" className="no-print absolute inset-y-0 right-0 px-1.5 text-faint">
      <ChevronDown size={16} aria-hidden="true" />
    </ComboboxButton>
  </div>
);
