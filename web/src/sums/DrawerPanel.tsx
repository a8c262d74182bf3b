import { readStockCsv, writeStockCsv } from '@glimmer/core/parts';
import { ArrowDownToLine, ArrowUpFromLine } from 'lucide-react';
import { saveFile } from '../shelf/files.ts';
import { Button } from '../widgets/Button.tsx';
import { FileButton } from '../widgets/FileButton.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { desk, useDesk } from './deskStore.ts';

const MOST_BYTES = 1_000_000;

async function bringIn(file: File): Promise<void> {
  if (file.size > MOST_BYTES)
    throw new Error(`${file.name} holds ${Math.round(file.size / 1e6)} MB; a drawer is a table of at most 1 MB`);
  const { items, problems } = readStockCsv(await file.text());
  const first = problems[0];
  if (items.length === 0 && first) throw new Error(`${file.name}, line ${first.line}: ${first.problem}`);
  desk.fillDrawer(items);
  tell(
    first
      ? `${items.length} lines taken; ${problems.length} left out, the first is line ${first.line}: ${first.problem}`
      : `${items.length} lines of your drawer taken`,
    first ? { gravity: 'trouble' } : {},
  );
}

/** The maker's own stock, out of and into a table. */
export function DrawerPanel() {
  const drawer = useDesk((state) => state.drawer);
  const count = drawer.reduce((sum, item) => sum + item.count, 0);
  return (
    <section className="stitch mt-4 pt-3 text-small">
      <h2 className="mb-1 text-medium">Your drawer</h2>
      <p className="mb-2 text-faint">
        {drawer.length === 0
          ? 'Bring in a table (CSV) with the columns kind, name, count, condition, price, resistance, note.'
          : `${drawer.length} kinds, ${count} pieces. Cards that choose resistors can take from it.`}
      </p>
      <div className="flex flex-wrap gap-1">
        <FileButton
          label="Drawer table to bring in"
          accept=".csv,text/csv"
          onFile={(file) => {
            bringIn(file).catch((cause: unknown) =>
              tell(cause instanceof Error ? cause.message : String(cause), { gravity: 'trouble' }),
            );
          }}
        >
          <ArrowUpFromLine size={15} />
          Bring in
        </FileButton>
        {drawer.length > 0 && (
          <Button onClick={() => saveFile('drawer.csv', writeStockCsv(drawer), 'text/csv')}>
            <ArrowDownToLine size={15} />
            Take out
          </Button>
        )}
      </div>
    </section>
  );
}
