import type { Assessment } from '@glimmer/core/assess';
import {
  exportNetlist,
  exportShoppingCsv,
  exportTemplateSvg,
  exportWireCsv,
  usualCondition,
  writeMoodCard,
} from '@glimmer/core/exports';
import type { Plan } from '@glimmer/core/plan';
import type { Printer } from '@glimmer/core/units';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ArrowDownToLine } from 'lucide-react';
import { useReckonedNow } from '../reckoning/index.ts';
import { saveFile } from '../shelf/files.ts';
import { usePrinter } from '../units/index.ts';
import { tell } from '../widgets/Toasts.tsx';

interface Taken {
  readonly plan: Plan;
  readonly assessment: Assessment;
  /** How its files are named. */
  readonly base: string;
  readonly printer: Printer;
}

interface TakenOut {
  readonly label: string;
  readonly run: (taken: Taken) => void;
}

const baseOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'plan';

/** An entry that writes one file. */
const file = (label: string, ending: string, mime: string, write: (taken: Taken) => string): TakenOut => ({
  label,
  run: (taken) => saveFile(`${taken.base}${ending}`, write(taken), mime),
});

const entries: readonly TakenOut[] = [
  file(
    'The plan, as an open file',
    '.glimmer.json',
    'application/json',
    ({ plan }) => `${JSON.stringify(plan, null, 2)}\n`,
  ),
  file('Shopping list, CSV', '-shopping.csv', 'text/csv', ({ plan, assessment, printer }) =>
    exportShoppingCsv(assessment, plan.design.piece.copies, printer),
  ),
  file('Wire list, CSV', '-wires.csv', 'text/csv', ({ assessment, printer }) => exportWireCsv(assessment, printer)),
  file('Marking template, full size, SVG', '-template.svg', 'image/svg+xml', ({ plan, assessment, printer }) =>
    exportTemplateSvg(plan, assessment, 'front', printer),
  ),
  file('The same, mirrored for the back', '-template-back.svg', 'image/svg+xml', ({ plan, assessment, printer }) =>
    exportTemplateSvg(plan, assessment, 'back', printer),
  ),
  file('How it is worked, a page of text', '-moods.txt', 'text/plain', ({ plan, assessment, printer }) =>
    writeMoodCard(plan, assessment, printer),
  ),
  file('The circuit as a netlist, half charged, SPICE text', '.cir', 'text/plain', ({ plan, assessment }) =>
    exportNetlist(plan, assessment, usualCondition(assessment)),
  ),
  {
    label: 'The program for the controller, ZIP',
    run: ({ plan, assessment, base }) => {
      import('./programZip.ts').then(
        ({ zipProgram }) =>
          saveFile(`${base}-program.zip`, zipProgram(plan, assessment, `${base}-program`), 'application/zip'),
        () => tell('The program could not be fetched; try again when the server is back', { gravity: 'trouble' }),
      );
    },
  },
  { label: 'Print this sheet', run: () => window.print() },
];

/** Everything that can be taken out of a plan as an open file. */
export function TakeOutMenu() {
  const printer = usePrinter();
  const reckonedNow = useReckonedNow();
  const takeOut = (entry: TakenOut): void => {
    const { plan, assessment } = reckonedNow();
    entry.run({ plan, assessment, base: baseOf(plan.name), printer });
  };
  return (
    <Menu>
      <MenuButton className="inline-flex min-h-8 items-center gap-1.5 rounded-sm border border-rule bg-sheet px-2.5 font-medium hover:bg-pressed">
        <ArrowDownToLine size={16} aria-hidden="true" />
        <span className="max-sm:sr-only">Take out</span>
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-40 border border-rule bg-sheet py-1 text-ink">
        {entries.map((entry) => (
          <MenuItem key={entry.label}>
            <button
              type="button"
              onClick={() => takeOut(entry)}
              className="block w-full px-3 py-1.5 text-left data-focus:bg-pressed"
            >
              {entry.label}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
