import type { ItemOf } from '@glimmer/core/items';
import { copyGroup, type Shift, shiftGroup } from '@glimmer/core/plan';
import { Copy, FlipHorizontal2, Move, RotateCcw } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { changeDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { QuantityField } from '../widgets/fields.tsx';

const byBand = { least: -5000, most: 5000 } as const;
const still: Shift = { turnDeg: 0, mirrored: false, byMm: { xMm: 0, yMm: 0 } };

/** Moves, turns, mirrors and copies all lights of a group as one; bores that are theirs alone come along. */
export function MoveGroup({ item }: { readonly item: ItemOf<'light'> }) {
  const [byMm, setBy] = useState({ xMm: 20, yMm: 0 });
  const [turnDeg, setTurn] = useState(15);
  const shift = (change: Partial<Shift>): void =>
    changeDesign((open) => shiftGroup(open, item.id, { ...still, ...change }));
  const copy = (): void =>
    changeDesign((open) =>
      copyGroup(open, item.id, { id: nanoid(8), name: `${item.name}, copy`.slice(0, 120), byMm }, () => nanoid(8)),
    );
  return (
    <details className="no-print mt-1">
      <summary className="cursor-pointer text-verdigris">Move, turn, mirror or copy all of them</summary>
      <div className="mt-1 grid grid-cols-3 gap-x-3 gap-y-2">
        <QuantityField
          label="By, across"
          kind="lengthMm"
          value={byMm.xMm}
          band={byBand}
          onCommit={(xMm) => setBy({ ...byMm, xMm })}
        />
        <QuantityField
          label="By, down"
          kind="lengthMm"
          value={byMm.yMm}
          band={byBand}
          onCommit={(yMm) => setBy({ ...byMm, yMm })}
        />
        <QuantityField
          label="Turn by, against the clock"
          kind="angleDeg"
          value={turnDeg}
          band={{ least: -360, most: 360 }}
          onCommit={setTurn}
        />
      </div>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button onClick={() => shift({ byMm })}>
          <Move size={15} />
          Move
        </Button>
        <Button onClick={() => shift({ turnDeg })}>
          <RotateCcw size={15} />
          Turn
        </Button>
        <Button onClick={() => shift({ mirrored: true })}>
          <FlipHorizontal2 size={15} />
          Mirror
        </Button>
        <Button onClick={copy}>
          <Copy size={15} />
          Copy beside
        </Button>
      </div>
    </details>
  );
}
