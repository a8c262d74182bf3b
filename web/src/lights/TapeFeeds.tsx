import { feedAgain } from '@glimmer/core/findings';
import type { ItemOf, PlacedPlain, PlacedTape } from '@glimmer/core/items';
import { extraFeeds } from '@glimmer/core/network';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { setField } from '../items/itemActions.ts';
import { SumOf } from '../items/SumOf.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { mend } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { QuantityField } from '../widgets/fields.tsx';
import { FigureLine } from '../widgets/Section.tsx';

type Fed = ItemOf<'pixel tape' | 'plain tape'>;

interface FeedRowsProps {
  readonly item: Fed;
  readonly lights: number;
  /** The run that leads to the pads before a light, counted from 1. */
  readonly runIdOf: (at: number) => string;
  /** Some light wants more than it gets. */
  readonly isShort: boolean;
  /** All tapes that are fed together with it, the first of their line first. */
  readonly together: readonly string[];
}

/** Where a tape is fed besides its start, each feed with what it brings; one more, or the fewest that are enough. */
function FeedRows({ item, lights, runIdOf, isShort, together }: FeedRowsProps) {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const [answer, setAnswer] = useState<string | null>(null);
  const feeds = item.feedsAt ?? [];
  const set = (next: readonly number[]): void => {
    setAnswer(null);
    setField(item.id, 'feedsAt', next.length === 0 ? undefined : [...next]);
  };
  const propose = (): void => {
    const [fix] = feedAgain({ design, assessment, library: assessment.library }, together);
    if (fix) mend(fix.edits);
    setAnswer(
      fix
        ? `${fix.label}: every light has what it wants.`
        : 'No number of feeds is enough: a thicker lead, another supply or less light.',
    );
  };
  return (
    <>
      {feeds.map((at, i) => {
        const run = assessment.runs.find(({ id }) => id === runIdOf(at));
        return (
          <div key={i} className="mt-1 flex items-end gap-2">
            <QuantityField
              label={`Feed ${i + 2} at the pads before light`}
              kind="count"
              value={at}
              band={{ least: 2, most: 5000 }}
              hint={`${at > lights ? 'its far end' : `${lights - at + 1} lights before its end`}${run?.peakA == null ? '' : `; brings ${printer.quantity('currentA', run.peakA)}`}`}
              onCommit={(next) => set(feeds.map((each, k) => (k === i ? Math.round(next) : each)))}
            />
            <Button
              look="quiet"
              aria-label={`Remove feed ${i + 2}`}
              onClick={() => set(feeds.filter((_, k) => k !== i))}
            >
              <Trash2 size={15} />
            </Button>
          </div>
        );
      })}
      <div className="no-print mt-1 flex flex-wrap items-center gap-2">
        <Button look="quiet" onClick={() => set([...feeds, lights + 1])}>
          <Plus size={15} />
          Feed {item.name} at its far end too
        </Button>
        {isShort && (
          <Button look="quiet" onClick={propose}>
            Find the fewest feeds that are enough
          </Button>
        )}
        <span role="status" className="text-small text-faint">
          {answer}
        </span>
      </div>
    </>
  );
}

interface TapeFeedsProps {
  readonly item: ItemOf<'pixel tape'>;
  readonly placed: PlacedTape;
}

/** Where a tape of pixels is fed, and what is left at the light that gets least. */
export function TapeFeeds({ item, placed }: TapeFeedsProps) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const chain = assessment.chains.find(({ tapeIds }) => tapeIds.includes(item.id));
  if (!chain || chain.railV <= 0 || placed.cut.lights < 2) return null;
  const { lights } = placed.cut;
  const own = chain.voltageV.slice(placed.firstIndex, placed.firstIndex + lights);
  const leastV = Math.min(...own);
  return (
    <div className="mt-2">
      <SumOf item={item} field="feedsAt" label="Where it is fed">
        <FigureLine
          label="At the height its lights get, at the least"
          value={`${printer.quantity('voltageV', leastV)} (light ${own.indexOf(leastV) + 1}; wanted ${printer.quantity('voltageV', chain.wantsV)})`}
        />
      </SumOf>
      <FeedRows
        item={item}
        lights={lights}
        runIdOf={(at) => `feed:${item.id}:${Math.min(at - 1, lights) + 1}`}
        isShort={chain.leastV < chain.wantsV}
        together={chain.tapeIds}
      />
    </div>
  );
}

/** Where a plain tape is fed, and how far it fades along its way. */
export function PlainFeeds({ item, placed }: { readonly item: ItemOf<'plain tape'>; readonly placed: PlacedPlain }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const fade = assessment.fades.find(({ itemId }) => itemId === item.id);
  const { lights } = placed.cut;
  if (!fade) return null;
  const runs = extraFeeds(placed);
  const isAt = (at: number, light: number): boolean => light + placed.part.lightsPerJoint > at - 1 && light <= at - 1;
  return (
    <div className="mt-2">
      <FigureLine
        label="All of it lit, its dimmest light gets"
        value={`${printer.quantity('fraction', fade.leastShare)} of its brightest (light ${fade.dimmestLight})`}
      />
      <FeedRows
        item={item}
        lights={lights}
        runIdOf={(at) => runs.find(({ light }) => isAt(at, light))?.runId ?? `${item.id}: none`}
        isShort={assessment.fades.some(({ itemId, isSeen }) => itemId === item.id && isSeen)}
        together={[item.id]}
      />
    </div>
  );
}
