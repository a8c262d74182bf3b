import { explainTape } from '@glimmer/core/explain';
import type { PlacedTape } from '@glimmer/core/lights';
import { pixelTapes } from '@glimmer/core/parts';
import { bands, removeGroup, type Tape } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { Spline, Trash2 } from 'lucide-react';
import { withOwn } from '../stages/OwnParts.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { changeDesign, editDesign } from '../state/planStore.ts';
import { useViewStore, view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField, Tick } from '../widgets/fields.tsx';
import { FigureLine } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { DiffuserField } from './DiffuserField.tsx';
import { RouteTable } from './RouteTable.tsx';

const mm = (value: number): string => printQuantity('lengthMm', value);

/** A tape cut into rows: how many lights each way, and which way every second one runs. */
function Rows({ tape, set }: { readonly tape: Tape; readonly set: (recipe: (draft: Draft<Tape>) => void) => void }) {
  const { grid } = tape;
  const side = (key: 'columns' | 'rows', label: string, value: number) => (
    <QuantityField
      label={label}
      kind="count"
      value={value}
      band={{ least: 1, most: 64 }}
      onCommit={(next) =>
        set((draft) => {
          if (draft.grid) draft.grid[key] = Math.round(next);
        })
      }
    />
  );
  return (
    <div className="mt-1 grid grid-cols-[auto_5rem_5rem_1fr] items-end gap-x-3">
      <Tick
        label="Cut into rows, as a grid"
        checked={grid !== undefined}
        onChange={(isGrid) =>
          set((draft) => {
            if (isGrid) draft.grid = { columns: 8, rows: 8, snakes: true };
            else delete draft.grid;
          })
        }
      />
      {grid && (
        <>
          {side('columns', 'Across', grid.columns)}
          {side('rows', 'Down', grid.rows)}
          <Tick
            label="Every second row runs back"
            checked={grid.snakes}
            onChange={(snakes) =>
              set((draft) => {
                if (draft.grid) draft.grid.snakes = snakes;
              })
            }
          />
        </>
      )}
    </div>
  );
}

/** One tape: its kind, its route or its rows, and what follows. */
export function TapeCard({
  tape,
  placed,
  index,
}: {
  readonly tape: Tape;
  readonly placed: PlacedTape | undefined;
  readonly index: number;
}) {
  const { design, assessment } = useSheet();
  const set = (recipe: (draft: Draft<Tape>) => void): void =>
    editDesign((draft) => {
      const found = draft.tapes[index];
      if (found) recipe(found);
    });
  const pointed = useViewStore((state) => state.pointedId === tape.id);
  const fit = assessment.fits.find((each) => each.groupId === tape.id);
  const cut = placed?.cut;
  const part = placed?.part;
  return (
    <article
      className={`stitch py-2.5 first:border-t-0 ${pointed ? 'border-l-2 border-l-verdigris pl-3' : ''}`}
      onFocus={() => view.pointAt(tape.id)}
    >
      <div className="mb-1.5 grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <TextField
          label="Tape"
          value={tape.name}
          onCommit={(name) =>
            set((draft) => {
              draft.name = name;
            })
          }
        />
        <Button
          onClick={() => {
            view.pointAt(tape.id);
            view.takeTool({ kind: 'route', tapeId: tape.id });
          }}
        >
          <Spline size={16} />
          {tape.route.length > 0 ? 'Go on with the route' : 'Lay the route'}
        </Button>
        <Button
          look="quiet"
          aria-label={`Remove ${tape.name}`}
          onClick={() => changeDesign((open) => removeGroup(open, tape.id))}
        >
          <Trash2 size={16} />
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="Kind of tape"
          value={tape.part}
          options={withOwn(design, 'pixel-tape', pixelTapes).map((each) => ({
            value: each.id,
            label: `${'like' in each ? `${each.name}: ` : ''}${each.perMetre}/m, ${each.widthMm} mm${each.dice === 4 ? ', with a white die' : ''}`,
          }))}
          onChoose={(value) =>
            set((draft) => {
              draft.part = value;
            })
          }
        />
        <QuantityField
          label={tape.grid ? 'Tape in all, row by row' : 'Length of the route'}
          kind="lengthMm"
          value={placed?.routeMm ?? null}
          band={bands.tapeLengthMm}
          overruled={tape.lengthMm !== null}
          placeholder="lay it on the picture"
          onCommit={(value) =>
            set((draft) => {
              draft.lengthMm = value;
            })
          }
          onClear={() =>
            set((draft) => {
              draft.lengthMm = null;
            })
          }
          hint={tape.lengthMm !== null ? 'Empty it to measure on the picture again.' : undefined}
        />
        <Choice
          label="Data comes from"
          value={tape.after ?? 'controller'}
          options={[
            { value: 'controller', label: 'the controller' },
            ...design.tapes
              .filter((each) => each.id !== tape.id && !leadsTo(design.tapes, each.id, tape.id))
              .map((each) => ({ value: each.id, label: `the end of ${each.name}` })),
          ]}
          onChoose={(value) =>
            set((draft) => {
              draft.after = value === 'controller' ? null : value;
            })
          }
        />
        <Choice
          label="Lies in"
          value={tape.channelId ?? 'none'}
          options={[
            { value: 'none', label: 'no channel' },
            ...design.hollows
              .filter((hollow) => hollow.kind === 'channel')
              .map((hollow) => ({ value: hollow.id, label: hollow.name })),
          ]}
          onChoose={(value) =>
            set((draft) => {
              draft.channelId = value === 'none' ? null : value;
            })
          }
        />
        <QuantityField
          label="Current of one die at full"
          kind="currentA"
          value={tape.dieCurrentA?.likely ?? part?.dieCurrentA.likely ?? null}
          band={bands.dieCurrentA}
          overruled={tape.dieCurrentA !== null}
          hint={
            tape.dieCurrentA
              ? tape.dieCurrentA.origin
              : `typical, ± ${printQuantity('currentA', part?.dieCurrentA.spread ?? 0)}`
          }
          onCommit={(value) =>
            set((draft) => {
              draft.dieCurrentA = { likely: value, spread: value * 0.03, origin: 'measured' };
            })
          }
          onClear={() =>
            set((draft) => {
              draft.dieCurrentA = null;
            })
          }
        />
        <DiffuserField
          value={tape.diffuserMm}
          onSet={(value) =>
            set((draft) => {
              if (value === undefined) delete draft.diffuserMm;
              else draft.diffuserMm = value;
            })
          }
        />
        <div className="self-center">
          <Tick
            label="Data enters at the far end"
            checked={tape.reversed}
            onChange={(value) =>
              set((draft) => {
                draft.reversed = value;
              })
            }
          />
        </div>
      </div>
      <Rows tape={tape} set={set} />
      {cut && placed && (
        <div className="mt-2">
          <FigureLine
            label="Lights"
            value={<strong className="text-[19px]">{cut.lights}</strong>}
            onOpen={() => openSum(explainTape(placed))}
          />
          {!tape.grid && (
            <>
              <FigureLine label="Lit length, gap left at the end" value={`${mm(cut.litLengthMm)}, ${mm(cut.gapMm)}`} />
              <FigureLine
                label="One cut shorter, one longer"
                value={`${cut.shorter.lights} (${mm(cut.shorter.lengthMm)}), ${cut.longer.lights} (${mm(cut.longer.lengthMm)})`}
              />
            </>
          )}
          {fit && <FigureLine label="In its channel" value={`${fit.verdict}: ${mm(fit.acrossMm)} each side`} />}
        </div>
      )}
      <RouteTable tape={tape} index={index} />
    </article>
  );
}

/** True if the data of `from` already comes by way of `to`: joining them again would make a circle. */
function leadsTo(tapes: readonly Tape[], from: string, to: string): boolean {
  let at: string | null = from;
  for (let hops = 0; at !== null && hops <= tapes.length; hops += 1) {
    if (at === to) return true;
    at = tapes.find((tape) => tape.id === at)?.after ?? null;
  }
  return false;
}
