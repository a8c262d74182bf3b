import { decidingFigures, groupOfPart, type Part } from '@glimmer/core/parts';
import type { Item } from '@glimmer/core/plan';
import type { TriedPart } from '@glimmer/core/trial';
import { Combobox, ComboboxOption, ComboboxOptions, Description, Field } from '@headlessui/react';
import { Check, CircleAlert } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import { useHeld } from '../reckoning/index.ts';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { FieldLabel, fieldBox, wideAsSaid, widthFor } from '../widgets/fields.tsx';
import { Group, hasWords, NothingFound, PartLine } from '../widgets/PartList.tsx';
import { SearchedInput } from '../widgets/SearchedInput.tsx';
import { useTrial } from './useTrial.ts';

/** One line of the list: a part, or none of them. */
interface Line {
  readonly id: string;
  readonly label: string;
  readonly part: Part | null;
}

interface Heading {
  readonly title: string | null;
  readonly lines: readonly Line[];
}

const SUITS = 'Suit here';

/** Those that suit before the others, and each under what it is listed by. */
function putInOrder(lines: readonly Line[], tried: ReadonlyMap<string, TriedPart>): readonly Heading[] {
  const suits = ({ id }: Line): boolean => tried.get(id)?.against === null;
  const suiting = tried.size === 0 ? [] : lines.filter((line) => line.part && suits(line));
  const isAll = suiting.length === lines.filter(({ part }) => part).length;
  const rest = isAll ? lines : lines.filter((line) => !suiting.includes(line));
  const titles = [...new Set(rest.map(({ part }) => (part ? groupOfPart(part) : null)))];
  return [
    ...rest.filter(({ part }) => !part).map((line) => ({ title: null, lines: [line] })),
    ...(isAll || suiting.length === 0 ? [] : [{ title: SUITS, lines: suiting }]),
    ...titles.flatMap((title): Heading[] => {
      const own = rest.filter(({ part }) => part && groupOfPart(part) === title);
      return own.length === 0
        ? []
        : [{ title: title ?? (isAll || suiting.length === 0 ? null : 'The others'), lines: own }];
    }),
  ];
}

function OneLine({ line, tried }: { readonly line: Line; readonly tried: TriedPart | undefined }) {
  return (
    <ComboboxOption
      value={line.id}
      className="group flex cursor-pointer gap-2 rounded-sm px-2 py-1 data-focus:bg-pressed"
    >
      <Check size={14} className="invisible mt-1 shrink-0 group-data-selected:visible" aria-hidden="true" />
      <span className="min-w-0">
        <PartLine name={line.label} part={line.part}>
          {tried?.comesTo && (
            <>
              {' '}
              · <Said>{tried.comesTo}</Said>
            </>
          )}
        </PartLine>
        {tried?.against && (
          <span
            className={`flex items-start gap-1 text-tiny ${tried.gravity === 'stop' ? 'text-brick-ink' : 'text-amber-ink'}`}
          >
            <CircleAlert size={13} className="mt-0.5 shrink-0" aria-label="Against it:" />
            <Said>{tried.against}</Said>
          </span>
        )}
      </span>
    </ComboboxOption>
  );
}

/** Tells when the list is opened, so that its parts are tried only then. */
function Opened({
  open,
  onOpen,
  children,
}: {
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly children: ReactNode;
}) {
  useEffect(() => onOpen(open), [open, onOpen]);
  return children;
}

interface PartChoiceProps {
  readonly item: Item;
  readonly field: string;
  readonly label: string;
  /** In the order of the library, with what stands for none of them. */
  readonly lines: readonly Line[];
  readonly value: string;
  readonly onChoose: (id: string) => void;
  readonly hint?: ReactNode;
}

/** One part out of a long list: by its name, its figures and its groups; those first that suit in this very plan. */
export function PartChoice({ item, field, label, lines, value, onChoose, hint }: PartChoiceProps) {
  const printer = usePrinter();
  const { design } = useSheet();
  const [held, hold] = useHeld(value, onChoose);
  const [query, setQuery] = useState('');
  const [isOpen, setOpen] = useState(false);
  const parts = lines.filter(({ part }) => part);
  const trial = useTrial(
    design,
    isOpen && parts.length > 1 ? { itemId: item.id, field, partIds: parts.map(({ id }) => id) } : null,
  );
  const textOf = ({ label: name, part }: Line): string =>
    part ? `${name} ${printer.message(decidingFigures(part))} ${groupOfPart(part) ?? ''}` : name;
  const found = query === '' ? lines : lines.filter((line) => hasWords(textOf(line), query));
  const isTrying = isOpen && parts.length > 1 && trial.tried.size === 0;
  // A name that half a sheet cuts off has all of it: by its end it is told from the next of its kind.
  const name = lines.find((line) => line.id === held)?.label ?? '';
  return (
    <Field data-wide={widthFor(name)} className={wideAsSaid}>
      <FieldLabel label={label} />
      <Combobox
        value={held}
        onChange={(next: string | null) => {
          if (next !== null && next !== held) hold(next);
        }}
        onClose={() => setQuery('')}
      >
        {({ open }) => (
          <Opened open={open} onOpen={setOpen}>
            <SearchedInput
              open={open}
              nameOf={(id) => lines.find((line) => line.id === id)?.label ?? id}
              onQuery={setQuery}
              className={fieldBox}
            />
            <ComboboxOptions
              modal={false}
              anchor={{ to: 'bottom start', gap: 2, padding: 8 }}
              className="z-50 max-h-96 w-[min(36rem,calc(100vw-1rem))] overflow-y-auto rounded-sm border border-edge bg-sheet p-1 text-body shadow-lg empty:invisible"
            >
              {isTrying && (
                <div role="presentation" className="px-2 py-1 text-tiny text-faint">
                  {trial.failed
                    ? 'They can’t be tried in your plan just now; all can be chosen.'
                    : `Trying each in your plan: ${trial.done} of ${parts.length}`}
                </div>
              )}
              {found.length === 0 && <NothingFound />}
              {putInOrder(found, trial.tried).map(({ title, lines: own }) => (
                <Group key={title ?? own[0]?.id ?? ''} title={title}>
                  {own.map((line) => (
                    <OneLine key={line.id} line={line} tried={trial.tried.get(line.id)} />
                  ))}
                </Group>
              ))}
            </ComboboxOptions>
          </Opened>
        )}
      </Combobox>
      {isTrying && (
        <span role="status" className="sr-only">
          Trying each in your plan
        </span>
      )}
      {hint && <Description className="mt-0.5 text-small text-faint">{hint}</Description>}
    </Field>
  );
}
