import {
  exportNetlist,
  exportShoppingCsv,
  exportTemplateSvg,
  exportWireCsv,
  usualCondition,
  writeMoodCard,
} from '@glimmer/core/exports';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ArrowDownToLine } from 'lucide-react';
import { saveFile } from '../shelf/files.ts';
import { usePlan } from '../state/planStore.ts';
import { useReckoned } from '../state/useAssessment.tsx';
import { usePrinter } from '../units/index.ts';
import { tell } from '../widgets/Toasts.tsx';

/** Everything that can be taken out of a plan as an open file. */
export function TakeOutMenu() {
  const printer = usePrinter();
  const plan = usePlan();
  const { assessment } = useReckoned();
  const base =
    plan.name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'plan';
  const items = [
    {
      label: 'The plan, as an open file',
      run: () => saveFile(`${base}.glimmer.json`, `${JSON.stringify(plan, null, 2)}\n`, 'application/json'),
    },
    {
      label: 'Shopping list, CSV',
      run: () =>
        saveFile(`${base}-shopping.csv`, exportShoppingCsv(assessment, plan.design.piece.copies, printer), 'text/csv'),
    },
    {
      label: 'Wire list, CSV',
      run: () => saveFile(`${base}-wires.csv`, exportWireCsv(assessment, printer), 'text/csv'),
    },
    {
      label: 'Marking template, full size, SVG',
      run: () =>
        saveFile(`${base}-template.svg`, exportTemplateSvg(plan, assessment, 'front', printer), 'image/svg+xml'),
    },
    {
      label: 'The same, mirrored for the back',
      run: () =>
        saveFile(`${base}-template-back.svg`, exportTemplateSvg(plan, assessment, 'back', printer), 'image/svg+xml'),
    },
    {
      label: 'How it is worked, a page of text',
      run: () => saveFile(`${base}-moods.txt`, writeMoodCard(plan, assessment, printer), 'text/plain'),
    },
    {
      label: 'The circuit as a netlist, half charged, SPICE text',
      run: () => saveFile(`${base}.cir`, exportNetlist(plan, assessment, usualCondition(assessment)), 'text/plain'),
    },
    {
      label: 'The program for the controller, ZIP',
      run: () => {
        import('./programZip.ts').then(
          ({ zipProgram }) =>
            saveFile(`${base}-program.zip`, zipProgram(plan, assessment, `${base}-program`), 'application/zip'),
          () => tell('The program could not be fetched; try again when the server is back', { gravity: 'trouble' }),
        );
      },
    },
    { label: 'Print this sheet', run: () => window.print() },
  ];
  return (
    <Menu>
      <MenuButton className="inline-flex min-h-8 items-center gap-1.5 rounded-sm border border-rule bg-sheet px-2.5 font-medium hover:bg-pressed">
        <ArrowDownToLine size={16} aria-hidden="true" />
        Take out
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-40 border border-rule bg-sheet py-1 text-ink">
        {items.map((item) => (
          <MenuItem key={item.label}>
            <button
              type="button"
              onClick={item.run}
              className="block w-full px-3 py-1.5 text-left data-focus:bg-pressed"
            >
              {item.label}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
