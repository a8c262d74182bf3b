import type { VersionRow } from '@glimmer/core/logbook';
import type { KeptVersion } from '@glimmer/core/plan';
import { castDraft } from 'immer';
import { Trash2, Undo2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useCallback, useState } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { editPlan } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Choice } from '../widgets/fields.tsx';
import { Table } from '../widgets/Table.tsx';
import { tellDone } from '../widgets/tellDone.ts';
import { useTyped } from '../widgets/typed.ts';
import { useSayTime } from '../widgets/when.ts';
import { useLogbook } from '../worker/useLogbook.ts';

/** Puts a version back onto the bench; what was there is kept as one. */
const bringBack = (version: KeptVersion): void => {
  editPlan((draft) => {
    draft.logbook.versions.push({
      id: nanoid(8),
      name: `Before going back to ${version.name}`.slice(0, 110),
      why: '',
      keptAt: new Date().toISOString(),
      design: draft.design,
    });
    draft.design = castDraft(version.design);
  });
  tellDone(`${version.name} is back on the bench; what was there is kept as a version`);
};

function KeptRow({ version }: { readonly version: KeptVersion }) {
  const sayTime = useSayTime();
  const { design } = useSheet();
  return (
    <li className="flex items-center gap-2 border-b border-rule/60 py-0.5">
      <span className="flex-1">
        {version.name}{' '}
        <span className="text-small text-faint">
          {sayTime(version.keptAt)}
          {version.why && `; ${version.why}`}
        </span>
      </span>
      <Button look="quiet" onClick={() => bringBack(version)} disabled={version.design === design}>
        <Undo2 size={15} />
        Bring back
      </Button>
      <Button
        look="quiet"
        aria-label={`Remove version ${version.name}`}
        onClick={() =>
          editPlan((draft) => {
            draft.logbook.versions = draft.logbook.versions.filter((each) => each.id !== version.id);
          })
        }
      >
        <Trash2 size={15} />
      </Button>
    </li>
  );
}

/** Keeps what is on the bench under a name. */
function KeepForm() {
  const { versions } = useSheet().plan.logbook;
  const [typedName, setName] = useTyped('Name of the version');
  const [typedWhy, setWhy] = useTyped('Why it is kept');
  const [name, why] = [typedName ?? '', typedWhy ?? ''];
  const keep = (): void => {
    editPlan((draft) => {
      draft.logbook.versions.push({
        id: nanoid(8),
        name: name.trim() || `Version ${versions.length + 1}`,
        why: why.trim(),
        keptAt: new Date().toISOString(),
        design: draft.design,
      });
    });
    setName(null);
    setWhy(null);
    tellDone('This version is kept');
  };
  return (
    <div className="grid grid-cols-[1fr_1.4fr_auto] items-end gap-2">
      <label className="text-small text-faint">
        Name of this version
        <input
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
          placeholder={`Version ${versions.length + 1}`}
          className="block w-full rounded-sm border border-edge bg-paper px-2 py-1 text-body text-ink"
        />
      </label>
      <label className="text-small text-faint">
        What changed, and why
        <input
          value={why}
          maxLength={400}
          onChange={(event) => setWhy(event.target.value)}
          className="block w-full rounded-sm border border-edge bg-paper px-2 py-1 text-body text-ink"
        />
      </label>
      <Button onClick={keep}>Keep it</Button>
    </div>
  );
}

interface ComparisonProps {
  readonly rows: readonly VersionRow[];
  readonly before: string;
  readonly after: string;
}

function Comparison({ rows, before, after }: ComparisonProps) {
  const printer = usePrinter();
  return (
    <Table className="w-full text-small" aria-label="Comparison of two versions">
      <thead>
        <tr className="border-b border-rule text-left text-faint">
          <th className="font-normal">what</th>
          <th className="text-right font-normal">{before}</th>
          <th className="text-right font-normal">{after}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={printer.message(row.label)} className="border-b border-rule/60">
            <td className="py-0.5">
              <Said>{row.label}</Said>
            </td>
            <td className={`figures text-right ${row.better === 'before' ? 'font-bold text-verdigris' : ''}`}>
              <Said>{row.before}</Said>
              {row.better === 'before' ? ' better' : ''}
            </td>
            <td className={`figures text-right ${row.better === 'after' ? 'font-bold text-verdigris' : ''}`}>
              <Said>{row.after}</Said>
              {row.better === 'after' ? ' better' : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Two versions beside each other: which, and what differs. */
function Compare({ versions }: { readonly versions: readonly KeptVersion[] }) {
  const { design } = useSheet();
  const [beforeId, setBeforeId] = useState<string | null>(null);
  const [afterId, setAfterId] = useState('now');
  const before = versions.find((each) => each.id === beforeId) ?? versions.at(-1);
  const after = versions.find((each) => each.id === afterId);
  const [beforeDesign, afterDesign] = [before?.design ?? null, after?.design ?? design];
  const rows = useLogbook(
    useCallback(
      (logbook) => (beforeDesign ? logbook.compare(beforeDesign, afterDesign) : Promise.resolve([])),
      [beforeDesign, afterDesign],
    ),
  );
  if (!before) return null;
  const names = versions.map((each) => ({ value: each.id, label: each.name }));
  return (
    <div className="mt-3">
      <p className="mb-1">
        Compare <Choice inline label="The one" value={before.id} options={names} onChoose={setBeforeId} /> with{' '}
        <Choice
          inline
          label="The other"
          value={after?.id ?? 'now'}
          options={[{ value: 'now', label: 'what is on the bench' }, ...names]}
          onChoose={setAfterId}
        />
      </p>
      {rows === undefined ? (
        <p className="text-faint">Both are being reckoned …</p>
      ) : rows.length === 0 ? (
        <p className="text-faint">No figure and no part differs.</p>
      ) : (
        <Comparison rows={rows} before={before.name} after={after?.name ?? 'now'} />
      )}
    </div>
  );
}

/** Versions of the design that were kept, to be compared and brought back. */
export function Versions() {
  const { versions } = useSheet().plan.logbook;
  return (
    <>
      <KeepForm />
      {versions.length > 0 && (
        <ul className="mt-2">
          {versions.map((version) => (
            <KeptRow key={version.id} version={version} />
          ))}
        </ul>
      )}
      <Compare versions={versions} />
    </>
  );
}
