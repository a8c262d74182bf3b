import type { ItemOf } from '@glimmer/core/items';
import { judgeLayout, type Layout, type LayoutFacts, layOut } from '@glimmer/core/lights';
import { bands, canHold, type Design, layInTurn, mapItem } from '@glimmer/core/plan';
import type { Band } from '@glimmer/core/units';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { setField } from '../items/itemActions.ts';
import { useSheet } from '../stages/useSheet.ts';
import { changeDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { tellDone } from '../widgets/tellDone.ts';

type Laid = ItemOf<'light' | 'guide'>;
type Shape = Layout['shape'];

/** What the form of a layout holds; each shape asks for some of it. */
interface Asked {
  readonly shape: Shape;
  readonly count: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly toXMm: number;
  readonly toYMm: number;
  readonly radiusMm: number;
  readonly startDeg: number;
  readonly sweepDeg: number;
  readonly rows: number;
  readonly columns: number;
  readonly acrossMm: number;
  readonly downMm: number;
  readonly clockwise: boolean;
  readonly snakes: boolean;
  /** The tape along whose route they are laid. */
  readonly along: string;
  /** The group that takes every second place. */
  readonly inTurnWith: string;
}

const NONE = 'none';
const shapes: readonly { readonly value: Shape; readonly label: string }[] = [
  { value: 'ring', label: 'a ring' },
  { value: 'arc', label: 'an arc' },
  { value: 'row', label: 'a row' },
  { value: 'grid', label: 'a grid' },
  { value: 'line', label: 'along a tape' },
];

const placeBand: Band = { least: -10_000, most: 10_000 };
const rows = {
  count: { label: 'How many', kind: 'count', band: { least: 1, most: 500 } },
  xMm: { label: 'Middle, across', kind: 'lengthMm', band: placeBand },
  yMm: { label: 'Middle, down', kind: 'lengthMm', band: placeBand },
  toXMm: { label: 'To, across', kind: 'lengthMm', band: placeBand },
  toYMm: { label: 'To, down', kind: 'lengthMm', band: placeBand },
  radiusMm: { label: 'Radius', kind: 'lengthMm', band: { least: 0.5, most: 5000, usual: [5, 1000] } },
  startDeg: { label: 'First light at, from the right', kind: 'angleDeg', band: { least: -360, most: 360 } },
  sweepDeg: { label: 'From first to last', kind: 'angleDeg', band: { least: 1, most: 360 } },
  columns: { label: 'In a row', kind: 'count', band: { least: 1, most: 100 } },
  rows: { label: 'Rows', kind: 'count', band: { least: 1, most: 100 } },
  acrossMm: { label: 'Apart, across', kind: 'lengthMm', band: { least: 0.5, most: 1000, usual: [2, 200] } },
  downMm: { label: 'Apart, down', kind: 'lengthMm', band: { least: 0.5, most: 1000, usual: [2, 200] } },
} as const satisfies Partial<Record<keyof Asked, unknown>>;

const asks: Readonly<Record<Shape, readonly (keyof typeof rows)[]>> = {
  ring: ['count', 'radiusMm', 'xMm', 'yMm', 'startDeg'],
  arc: ['count', 'radiusMm', 'xMm', 'yMm', 'startDeg', 'sweepDeg'],
  row: ['count', 'xMm', 'yMm', 'toXMm', 'toYMm'],
  grid: ['columns', 'rows', 'acrossMm', 'downMm', 'xMm', 'yMm'],
  line: ['count'],
};

/** What a layout begins with: as many as there are, in the middle of the picture. */
function beginWith(count: number, { view }: Design): Asked {
  const [xMm, yMm] = [Math.round(view.widthMm / 2), Math.round(view.heightMm / 2)];
  return {
    shape: 'ring',
    count: Math.max(count, 8),
    xMm,
    yMm,
    toXMm: Math.round(view.widthMm * 0.8),
    toYMm: yMm,
    radiusMm: Math.round(Math.min(view.widthMm, view.heightMm) / 4),
    startDeg: 90,
    sweepDeg: 180,
    columns: 4,
    rows: 3,
    acrossMm: 15,
    downMm: 15,
    clockwise: true,
    snakes: false,
    along: NONE,
    inTurnWith: NONE,
  };
}

/** The layout that is asked for; null while a line is to be followed that is not there. */
function layoutOf(asked: Asked, design: Design): Layout | null {
  const centre = { xMm: asked.xMm, yMm: asked.yMm };
  if (asked.shape === 'row')
    return { shape: 'row', from: centre, to: { xMm: asked.toXMm, yMm: asked.toYMm }, count: asked.count };
  if (asked.shape !== 'line') return { ...asked, shape: asked.shape, centre };
  const tape = design.items.find((each) => each.id === asked.along);
  return tape && 'route' in tape && tape.route.length > 1
    ? { shape: 'line', route: tape.route, count: asked.count }
    : null;
}

interface FactsProps {
  readonly facts: LayoutFacts;
  readonly acrossMm: number | null;
  readonly channels: number;
  readonly isByTurns: boolean;
}

/** What is to be known of a layout before a hole is drilled. */
function Facts({ facts, acrossMm, channels, isByTurns }: FactsProps) {
  const printer = usePrinter();
  const { apartMm, touches, room, each, alikeAtSeam, showsDirection, even } = facts;
  return (
    <ul className="mt-1 list-disc pl-5 text-small">
      {Number.isFinite(apartMm) && (
        <li className={touches ? 'text-amber-ink' : ''}>
          {printer.quantity('lengthMm', apartMm)} from one to the next, middle to middle
          {touches && acrossMm !== null && `: they touch, each is ${printer.quantity('lengthMm', acrossMm)} across`}
          {touches && room !== null && `; this ring has room for ${room}`}
        </li>
      )}
      {isByTurns && <li>{each} of each, by turns. Each group has channels of its own, so no channel mixes the two.</li>}
      {alikeAtSeam && (
        <li className="text-amber-ink">An odd number: at the seam two of the same kind are neighbours.</li>
      )}
      {channels > 1 && (
        <li>
          {showsDirection
            ? `On ${channels} channels a run shows which way it goes.`
            : 'On two channels it swings to and fro: a way round is seen from three channels on.'}
        </li>
      )}
      {even && (
        <li className="text-amber-ink">
          {each} lights on {channels} channels leave a seam: take {even.fewer} or {even.more}.
        </li>
      )}
    </ul>
  );
}

/** A scanned grid has the rows that its lights are laid in. */
const takeRows = (design: Design, id: string, { shape, rows: asked }: Asked): Design =>
  mapItem(design, id, (item) =>
    shape === 'grid' && item.kind === 'light' && 'rows' in item.switchedBy
      ? { ...item, switchedBy: { ...item.switchedBy, rows: Math.min(bands.gridRows.most, asked) } }
      : item,
  );

interface LayOutProps {
  readonly item: Laid;
  /** How wide one is; null while it is not known. */
  readonly acrossMm: number | null;
}

/** Lays what stands at many places out along a shape: the lights of a group, alone or in turn with another's, or holes of guides. */
export function LayOut({ item, acrossMm }: LayOutProps) {
  const { design } = useSheet();
  const [own, setOwn] = useState<Asked | null>(null);
  const isGuide = 'ends' in item;
  const [word, channels] = isGuide ? ['holes', 1] : ['lights', item.channels];
  // What is scanned is told by row and column: each row must run the same way.
  const isScanned = !isGuide && 'rows' in item.switchedBy;
  const begun = beginWith(isGuide ? item.ends.length : item.places.length, design);
  const asked = own ?? (isScanned ? { ...begun, shape: 'grid' as const } : begun);
  const set = (fields: Partial<Asked>): void => setOwn({ ...asked, ...fields });
  const tapes = design.items.filter((each) => 'route' in each && each.route.length > 1);
  const others = isGuide ? [] : design.items.filter((each) => each.kind === 'light' && each.id !== item.id);
  const layout = layoutOf(isScanned ? { ...asked, snakes: false } : asked, design);
  const places = layout ? layOut(layout) : [];
  const isByTurns = asked.inTurnWith !== NONE;
  const facts = judgeLayout(layout, places, { acrossMm, channels, turns: isByTurns ? 2 : 1 });
  const isHeld = canHold(places) && places.length <= 1000;
  const lay = (): void => {
    const ids = [item.id, ...(isByTurns ? [asked.inTurnWith] : [])];
    if (isGuide)
      setField(
        item.id,
        'ends',
        places.map((at) => ({ id: nanoid(8), at, hollowId: null })),
      );
    else
      changeDesign((open) =>
        takeRows(
          layInTurn(open, ids, places, () => nanoid(8)),
          item.id,
          asked,
        ),
      );
    tellDone(`${places.length} ${word} laid out`);
  };
  return (
    <details className="no-print mt-1">
      <summary className="cursor-pointer text-verdigris">Lay out a ring, a row or a grid</summary>
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice label="Shape" value={asked.shape} options={shapes} onChoose={(shape) => set({ shape })} />
        {asked.shape === 'line' && (
          <Choice
            label="Along"
            value={asked.along}
            options={[
              { value: NONE, label: tapes.length === 0 ? 'no tape has a route yet' : 'not said yet' },
              ...tapes.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChoose={(along) => set({ along })}
          />
        )}
        {asks[asked.shape].map((key) => (
          <QuantityField
            key={key}
            label={asked.shape === 'row' ? rows[key].label.replace('Middle', 'From') : rows[key].label}
            kind={rows[key].kind}
            value={asked[key]}
            band={rows[key].band}
            onCommit={(value) => set({ [key]: rows[key].kind === 'count' ? Math.round(value) : value })}
          />
        ))}
        {(asked.shape === 'ring' || asked.shape === 'arc') && (
          <Tick label="Clockwise" checked={asked.clockwise} onChange={(clockwise) => set({ clockwise })} />
        )}
        {asked.shape === 'grid' && !isScanned && (
          <Tick label="Every second row back" checked={asked.snakes} onChange={(snakes) => set({ snakes })} />
        )}
        {others.length > 0 && (
          <Choice
            label="By turns with"
            value={asked.inTurnWith}
            options={[
              { value: NONE, label: 'nothing: all are of this group' },
              ...others.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChoose={(inTurnWith) => set({ inTurnWith })}
          />
        )}
      </div>
      <Facts facts={facts} acrossMm={acrossMm} channels={channels} isByTurns={isByTurns} />
      {!isHeld && (
        <p role="alert" className="text-brick-ink">
          That is more than a picture can hold: a smaller shape, or nearer to the middle.
        </p>
      )}
      <Button className="mt-1" onClick={lay} disabled={places.length === 0 || !isHeld}>
        Lay {places.length} {word}
      </Button>
    </details>
  );
}
