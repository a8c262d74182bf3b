import { listWishes, type Wish } from '@glimmer/core/findings';
import { bands, type Hollow, type Piece, removeHollow } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editDesign } from '../state/planStore.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField, Tick } from '../widgets/fields.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { takeAway } from '../widgets/takeAway.ts';
import { OwnParts } from './OwnParts.tsx';
import { PictureChoice } from './PictureChoice.tsx';
import { useSheet } from './useSheet.ts';

const same = <T extends string>(values: readonly T[]): { value: T; label: string }[] =>
  values.map((value) => ({ value, label: value }));

const kinds = same<Piece['kind']>(['headdress', 'mask', 'garment', 'hand-held', 'scale model', 'prop']);
const settings: { value: Piece['setting']; label: string }[] = [
  { value: 'dry', label: 'dry' },
  { value: 'splash', label: 'splashes, spray' },
  { value: 'rain', label: 'rain' },
];
const carriers: { value: Piece['carriedBy']; label: string }[] = [
  { value: 'adult', label: 'an adult' },
  { value: 'child', label: 'a child' },
  { value: 'nobody', label: 'nobody: it stands' },
];

const wishLooks: Readonly<
  Record<Wish['status'], { readonly mark: string; readonly word: string; readonly tone: string }>
> = {
  met: { mark: '●', word: 'met', tone: 'text-verdigris' },
  open: { mark: '○', word: 'open', tone: 'text-amber-ink' },
  undecided: { mark: '–', word: 'not decided', tone: 'text-faint' },
};

function Wishes() {
  const { design, assessment } = useSheet();
  return (
    <ul>
      {listWishes(design, assessment).map((wish) => {
        const look = wishLooks[wish.status];
        return (
          <li key={wish.id} className="flex gap-3 border-b border-rule/60 py-1 last:border-b-0">
            <span className={`${look.tone} w-4 text-center`} aria-hidden="true">
              {look.mark}
            </span>
            <span className="flex-1">
              <Said>{wish.text}</Said>
              <span className={`ml-2 text-small ${look.tone}`}>
                {look.word}: <Said>{wish.reached}</Said>
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function HollowRow({ hollow }: { readonly hollow: Hollow }) {
  const set = (field: string, value: number): void =>
    editDesign((draft) => {
      // The fields offered below are the ones that this kind of hollow has.
      Object.assign(draft.hollows.find((each) => each.id === hollow.id) ?? {}, { [field]: value });
    });
  const sizes: readonly (readonly [string, string, number])[] =
    hollow.kind === 'bore'
      ? [
          ['diameterMm', 'Diameter', hollow.diameterMm],
          ['depthMm', 'Depth', hollow.depthMm],
        ]
      : hollow.kind === 'channel'
        ? [
            ['widthMm', 'Width', hollow.widthMm],
            ['depthMm', 'Depth', hollow.depthMm],
          ]
        : [
            ['widthMm', 'Width', hollow.widthMm],
            ['heightMm', 'Height', hollow.heightMm],
            ['depthMm', 'Depth', hollow.depthMm],
          ];
  return (
    <li className="grid grid-cols-[minmax(7rem,1.4fr)_repeat(3,minmax(4.5rem,1fr))_auto] items-end gap-2 py-1 max-sm:grid-cols-[repeat(3,minmax(0,1fr))_auto] max-sm:[&>*:first-child]:col-span-4">
      <TypedOf id={hollow.id}>
        <TextField
          label={`Name of the ${hollow.kind}`}
          value={hollow.name}
          onCommit={(name) =>
            editDesign((draft) => {
              const found = draft.hollows.find((each) => each.id === hollow.id);
              if (found) found.name = name;
            })
          }
        />
        {sizes.map(([field, label, value]) => (
          <QuantityField
            key={field}
            label={label}
            kind="lengthMm"
            value={value}
            band={bands.hollowMm}
            onCommit={(next) => set(field, next)}
          />
        ))}
        {sizes.length === 2 && <span />}
        <Button
          look="quiet"
          aria-label={`Remove ${hollow.name}`}
          onClick={() => takeAway(hollow.name, (open) => removeHollow(open, hollow.id))}
        >
          <Trash2 size={16} />
        </Button>
      </TypedOf>
    </li>
  );
}

function addHollow(kind: Hollow['kind']): void {
  editDesign((draft) => {
    const count = draft.hollows.filter((hollow) => hollow.kind === kind).length + 1;
    const base = {
      id: nanoid(8),
      name: `${kind.charAt(0).toUpperCase()}${kind.slice(1)} ${count}`,
      at: { xMm: Math.round(draft.view.widthMm / 2), yMm: Math.round(draft.view.heightMm / 2) },
    };
    if (kind === 'bore') draft.hollows.push({ ...base, kind, diameterMm: 5, depthMm: 12 });
    else if (kind === 'channel') draft.hollows.push({ ...base, kind, widthMm: 12, depthMm: 8 });
    else draft.hollows.push({ ...base, kind, widthMm: 80, heightMm: 60, depthMm: 30 });
  });
}

const set = (recipe: (draft: Draft<Piece>) => void): void => editDesign((draft) => recipe(draft.piece));

/** What kind of piece it is, who carries it, and in what weather. */
function Purpose() {
  const { piece } = useSheet().design;
  return (
    <>
      <Choice
        label="Kind of piece"
        value={piece.kind}
        options={kinds}
        onChoose={(value) =>
          set((draft) => {
            draft.kind = value;
          })
        }
      />
      <Choice
        label="Carried by"
        value={piece.carriedBy}
        options={carriers}
        onChoose={(value) =>
          set((draft) => {
            draft.carriedBy = value;
          })
        }
      />
      <Choice
        label="Weather"
        value={piece.setting}
        options={settings}
        onChoose={(value) =>
          set((draft) => {
            draft.setting = value;
          })
        }
      />
    </>
  );
}

/** What it must last, bear and cost. */
function Demands() {
  const { piece } = useSheet().design;
  return (
    <>
      <QuantityField
        label="Hours wanted"
        kind="timeH"
        value={piece.hoursWanted}
        band={bands.hoursWanted}
        onCommit={(value) =>
          set((draft) => {
            draft.hoursWanted = value;
          })
        }
      />
      <QuantityField
        label="Ambient temperature"
        kind="temperatureC"
        value={piece.ambientC}
        band={bands.ambientC}
        onCommit={(value) =>
          set((draft) => {
            draft.ambientC = value;
          })
        }
      />
      <QuantityField
        label="Copies"
        kind="count"
        value={piece.copies}
        band={bands.copies}
        onCommit={(value) =>
          set((draft) => {
            draft.copies = Math.round(value);
          })
        }
      />
      <QuantityField
        label="Budget for one"
        kind="money"
        value={piece.budgetPerCopy}
        band={bands.budget}
        placeholder="none"
        onCommit={(value) =>
          set((draft) => {
            draft.budgetPerCopy = value;
          })
        }
        onClear={() =>
          set((draft) => {
            draft.budgetPerCopy = null;
          })
        }
      />
    </>
  );
}

/** Where things go in: bores, channels and boxes. */
function Hollows() {
  const { design } = useSheet();
  return (
    <Section
      title="Hollows"
      aside={
        <span className="flex gap-1">
          {(['bore', 'channel', 'box'] as const).map((kind) => (
            <Button key={kind} look="quiet" onClick={() => addHollow(kind)}>
              Add a {kind}
            </Button>
          ))}
        </span>
      }
    >
      {design.hollows.length === 0 ? (
        <p className="text-faint">
          Bores for lights, channels for tape, boxes for the pack: measure them, and the app says what goes in. Drag
          them into place on the picture.
        </p>
      ) : (
        <ul>
          {design.hollows.map((hollow) => (
            <HollowRow key={hollow.id} hollow={hollow} />
          ))}
        </ul>
      )}
    </Section>
  );
}

/** Stage 1. */
export default function PieceSheet() {
  const { design } = useSheet();
  const { piece } = design;
  return (
    <>
      {design.view.picture.kind === 'none' && (
        <BeginHere>
          Begin with the picture: choose an outline or bring in a photo below, and give its true width. Everything else
          is measured on it.
        </BeginHere>
      )}
      <Section title="What it is for">
        <div className="grid grid-cols-3 gap-x-3 gap-y-2 max-sm:grid-cols-2">
          <Purpose />
          <Demands />
          <div className="col-span-2 self-end">
            <Tick
              label="Lights by itself in the dark"
              checked={piece.lightsItself}
              onChange={(value) =>
                set((draft) => {
                  draft.lightsItself = value;
                })
              }
            />
          </div>
        </div>
      </Section>
      <Section title="Wishes that can be tested">
        <Wishes />
      </Section>
      <Section title="The picture">
        <PictureChoice />
      </Section>
      <Hollows />
      <OwnParts />
    </>
  );
}
