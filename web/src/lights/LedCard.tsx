import { finishedDiameter, type PlacedLeds } from '@glimmer/core/lights';
import { leds as ledParts } from '@glimmer/core/parts';
import { bands, type LedGroup, removeGroup } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { MapPin, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { withOwn } from '../stages/OwnParts.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { changeDesign, editDesign } from '../state/planStore.ts';
import { useViewStore, view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField, Tick } from '../widgets/fields.tsx';
import { DiffuserField } from './DiffuserField.tsx';

const mm = (value: number): string => printQuantity('lengthMm', value);

/** One group of single lights: its kind, its places, and how they fit. */
export function LedCard({
  group,
  placed,
  index,
}: {
  readonly group: LedGroup;
  readonly placed: PlacedLeds | undefined;
  readonly index: number;
}) {
  const { design, assessment } = useSheet();
  const set = (recipe: (draft: Draft<LedGroup>) => void): void =>
    editDesign((draft) => {
      const found = draft.leds[index];
      if (found) recipe(found);
    });
  const driven = assessment.driven.find((each) => each.groupId === group.id);
  const pointed = useViewStore((state) => state.pointedId === group.id);
  const part = placed?.part;
  const bores = design.hollows.filter((hollow) => hollow.kind === 'bore');
  return (
    <article
      className={`stitch py-2.5 first:border-t-0 ${pointed ? 'border-l-2 border-l-verdigris pl-3' : ''}`}
      onFocus={() => view.pointAt(group.id)}
    >
      <div className="mb-1.5 grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <TextField
          label="Light group"
          value={group.name}
          onCommit={(name) =>
            set((draft) => {
              draft.name = name;
            })
          }
        />
        <Button
          onClick={() => {
            view.pointAt(group.id);
            view.takeTool({ kind: 'light', groupId: group.id });
          }}
        >
          <MapPin size={16} />
          Place on the picture
        </Button>
        <Button
          look="quiet"
          aria-label={`Remove ${group.name}`}
          onClick={() => changeDesign((open) => removeGroup(open, group.id))}
        >
          <Trash2 size={16} />
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="Kind of light"
          value={group.part}
          options={withOwn(design, 'led', ledParts).map((each) => ({ value: each.id, label: each.name }))}
          onChoose={(value) =>
            set((draft) => {
              draft.part = value;
            })
          }
        />
        <QuantityField
          label="Channels"
          kind="count"
          value={group.channels}
          band={bands.channels}
          hint="light i hangs on channel i mod channels"
          onCommit={(value) =>
            set((draft) => {
              draft.channels = Math.round(value);
            })
          }
        />
        <QuantityField
          label="Wanted current, each"
          kind="currentA"
          value={group.wantedCurrentA}
          band={bands.ledCurrentA}
          hint={
            part
              ? `rated ${printQuantity('currentA', part.ratedCurrentA)}; half the current looks like 73 %`
              : undefined
          }
          onCommit={(value) =>
            set((draft) => {
              draft.wantedCurrentA = value;
            })
          }
        />
        <QuantityField
          label="Forward voltage at that current"
          kind="voltageV"
          value={group.forwardV?.likely ?? driven?.forwardV.likely ?? null}
          band={bands.forwardV}
          overruled={group.forwardV !== null}
          placeholder="choose a controller first"
          hint={
            group.forwardV
              ? `${group.forwardV.origin}, ± ${printQuantity('voltageV', group.forwardV.spread)}`
              : `typical of the kind, ± ${printQuantity('voltageV', part?.forwardSpreadV ?? 0.15)}`
          }
          onCommit={(value) =>
            set((draft) => {
              draft.forwardV = { likely: value, spread: 0.05, origin: 'measured' };
            })
          }
          onClear={() =>
            set((draft) => {
              draft.forwardV = null;
            })
          }
        />
      </div>
      <div className="mt-2 w-1/2 pr-1.5">
        <DiffuserField
          value={group.diffuserMm}
          onSet={(value) =>
            set((draft) => {
              if (value === undefined) delete draft.diffuserMm;
              else draft.diffuserMm = value;
            })
          }
        />
      </div>
      {part && (
        <div className="mt-1 flex flex-wrap items-center gap-x-4">
          {part.sleeveWallMm > 0 && (
            <Tick
              label="Legs in shrink sleeve"
              checked={group.sleeved}
              onChange={(value) =>
                set((draft) => {
                  draft.sleeved = value;
                })
              }
            />
          )}
          <span className="text-faint">
            finished{' '}
            <span className="figures">
              ⌀ {mm(finishedDiameter.reckon({ d: part.bareDiameterMm, w: group.sleeved ? part.sleeveWallMm : 0 }))}
            </span>
            , bore at least{' '}
            <span className="figures">
              {mm(
                Math.ceil(
                  (finishedDiameter.reckon({ d: part.bareDiameterMm, w: group.sleeved ? part.sleeveWallMm : 0 }) +
                    0.4) *
                    10 -
                    1e-6,
                ) / 10,
              )}
            </span>
          </span>
        </div>
      )}
      {group.places.length > 0 && (
        <ul className="mt-1">
          {group.places.map((place, i) => {
            const fit = assessment.fits.find((each) => each.placeId === place.id && each.groupId === group.id);
            return (
              <li key={place.id} className="grid grid-cols-[1.5rem_1fr_1fr_1.4fr_auto_auto] items-center gap-2 py-0.5">
                <span className="figures">{i + 1}</span>
                {(['xMm', 'yMm'] as const).map((axis) => (
                  <QuantityField
                    key={axis}
                    hideLabel
                    label={`${group.name} ${i + 1}, ${axis === 'xMm' ? 'across' : 'down'}`}
                    kind="lengthMm"
                    value={place.at[axis]}
                    band={bands.placeMm}
                    onCommit={(value) =>
                      set((draft) => {
                        const found = draft.places[i];
                        if (found) found.at[axis] = value;
                      })
                    }
                  />
                ))}
                <Choice
                  hideLabel
                  label={`Bore of ${group.name} ${i + 1}`}
                  value={place.hollowId ?? 'none'}
                  options={[
                    { value: 'none', label: 'no bore' },
                    ...bores.map((bore) => ({ value: bore.id, label: bore.name })),
                  ]}
                  onChoose={(value) =>
                    editDesign((draft) => {
                      const found = draft.leds[index]?.places[i];
                      if (found) found.hollowId = value === 'none' ? null : value;
                    })
                  }
                />
                <span
                  className={`w-24 text-[13px] ${fit && fit.verdict !== 'fits' ? 'font-semibold text-amber-ink' : 'text-faint'}`}
                >
                  {fit ? `${fit.verdict}${fit.verdict === 'fits' ? `, ${mm(fit.acrossMm)}` : ''}` : ''}
                </span>
                <Button
                  look="quiet"
                  aria-label={`Remove ${group.name} ${i + 1}`}
                  onClick={() =>
                    editDesign((draft) => {
                      draft.leds[index]?.places.splice(i, 1);
                    })
                  }
                >
                  <Trash2 size={15} />
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      <Button
        look="quiet"
        onClick={() =>
          editDesign((draft) => {
            draft.leds[index]?.places.push({
              id: nanoid(8),
              at: { xMm: Math.round(draft.view.widthMm / 2), yMm: Math.round(draft.view.heightMm / 2) },
              hollowId: null,
            });
          })
        }
      >
        Add one in the middle
      </Button>
    </article>
  );
}
