import { type ItemOf, type PlacedLeds, takesTurns } from '@glimmer/core/items';
import { CLEARANCE_A_SIDE_MM, finishedDiameter, upToDrillMm } from '@glimmer/core/lights';
import { bands, removePlace } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editItem, setField } from '../items/itemActions.ts';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { FigureLine } from '../widgets/Section.tsx';
import { takeAway } from '../widgets/takeAway.ts';
import { WhiteFrom } from './Colours.tsx';
import { CommonLeg } from './CommonLeg.tsx';
import { Dose } from './Dose.tsx';
import { LayOut } from './LayOut.tsx';
import { MoveGroup } from './MoveGroup.tsx';
import { StringTable } from './StringTable.tsx';

type Lights = ItemOf<'light'>;

/** Changes one place of a light group. */
const editPlace = (item: Lights, placeId: string, recipe: (place: Draft<Lights['places'][number]>) => void): void =>
  editItem(item, (draft) => {
    const found = draft.places.find((each) => each.id === placeId);
    if (found) recipe(found);
  });

interface PlaceRowProps {
  readonly item: Lights;
  readonly place: Lights['places'][number];
  /** Counted from 1, as on the picture. */
  readonly number: number;
}

/** One light of a group: where it sits, and in which bore. */
function PlaceRow({ item, place, number }: PlaceRowProps) {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const bores = design.hollows.filter((hollow) => hollow.kind === 'bore');
  const fit = assessment.fits.find((each) => each.placeId === place.id && each.groupId === item.id);
  return (
    <li className="grid grid-cols-[1.5rem_1fr_1fr_1.4fr_auto_auto] items-center gap-2 py-0.5">
      <span className="figures">{number}</span>
      {(['xMm', 'yMm'] as const).map((axis) => (
        <QuantityField
          key={axis}
          hideLabel
          label={`${item.name} ${number}, ${axis === 'xMm' ? 'across' : 'down'}`}
          kind="lengthMm"
          value={place.at[axis]}
          band={bands.placeMm}
          onCommit={(value) =>
            editPlace(item, place.id, (draft) => {
              draft.at[axis] = value;
            })
          }
        />
      ))}
      <Choice
        hideLabel
        label={`Bore of ${item.name} ${number}`}
        value={place.hollowId ?? 'none'}
        options={[{ value: 'none', label: 'no bore' }, ...bores.map((bore) => ({ value: bore.id, label: bore.name }))]}
        onChoose={(value) =>
          editPlace(item, place.id, (draft) => {
            draft.hollowId = value === 'none' ? null : value;
          })
        }
      />
      <span
        className={`w-24 text-small ${fit && fit.verdict !== 'fits' ? 'font-semibold text-amber-ink' : 'text-faint'}`}
      >
        {fit ? `${fit.verdict}${fit.verdict === 'fits' ? `, ${printer.quantity('lengthMm', fit.acrossMm)}` : ''}` : ''}
      </span>
      <Button
        look="quiet"
        aria-label={`Remove ${item.name} ${number}`}
        onClick={() => takeAway(`${item.name} ${number}`, (open) => removePlace(open, item.id, place.id))}
      >
        <Trash2 size={15} />
      </Button>
    </li>
  );
}

/** How many they are, and what each draws. */
export function LightLead({ item }: { readonly item: ItemOf<'light'> }) {
  const printer = usePrinter();
  const driven = useSheet().assessment.driven.filter((each) => each.itemId === item.id);
  const [first] = driven;
  if (!first || item.places.length === 0) return null;
  return driven.map(({ die, corners, resistor }) => (
    <FigureLine
      key={die ?? ''}
      label={`${item.places.length === 1 ? 'One light' : `${item.places.length} lights`}${die ? `, the ${die} die` : ''}`}
      value={`${item.places.length === 1 ? '' : 'each '}${printer.quantity('currentA', corners.currentA)}${resistor ? ` behind ${printer.quantity('resistanceOhm', resistor.resistorOhm)}` : ''}`}
    />
  ));
}

/** Where each light of a group sits, and how it fits there. */
export function LightDetails({
  item,
  placed,
}: {
  readonly item: ItemOf<'light'>;
  readonly placed: PlacedLeds | undefined;
}) {
  const printer = usePrinter();
  const { design } = useSheet();
  const part = placed?.part;
  const finishedMm = part
    ? finishedDiameter.reckon({ d: part.bareDiameterMm, w: item.sleeved ? part.sleeveWallMm : 0 })
    : 0;
  return (
    <>
      {part && (
        <div className="mt-1 flex flex-wrap items-center gap-x-4">
          {part.sleeveWallMm > 0 && (
            <Tick
              label="Legs in shrink sleeve"
              checked={item.sleeved}
              onChange={(value) => setField(item.id, 'sleeved', value)}
            />
          )}
          <span className="text-faint">
            finished <span className="figures">⌀ {printer.quantity('lengthMm', finishedMm)}</span>, bore at least{' '}
            <span className="figures">
              {printer.quantity('lengthMm', upToDrillMm(finishedMm + 2 * CLEARANCE_A_SIDE_MM))}
            </span>
          </span>
        </div>
      )}
      {part?.dice?.length === 4 && <WhiteFrom item={item} />}
      {part?.dice && <CommonLeg item={item} />}
      {!part?.dice && !takesTurns(item.switchedBy) && <StringTable item={item} />}
      {part?.invisible && <Dose item={item} part={part} />}
      <LayOut item={item} acrossMm={part ? finishedMm : null} />
      {item.places.length > 0 && <MoveGroup item={item} />}
      {item.places.length > 0 && (
        <ul className="mt-1">
          {item.places.map((place, i) => (
            <PlaceRow key={place.id} item={item} place={place} number={i + 1} />
          ))}
        </ul>
      )}
      <Button
        look="quiet"
        onClick={() =>
          editItem(item, (draft) => {
            draft.places.push({
              id: nanoid(8),
              at: { xMm: Math.round(design.view.widthMm / 2), yMm: Math.round(design.view.heightMm / 2) },
              hollowId: null,
            });
          })
        }
      >
        Add one in the middle
      </Button>
    </>
  );
}
