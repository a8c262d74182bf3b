import { type MoodOffer, offerMoods } from '@glimmer/core/motion';
import type { Design } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { nanoid } from 'nanoid';
import { useSheet } from '../stages/useSheet.ts';
import { hands } from '../state/hands.ts';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';

/** Puts an offer into the plan: its moods, and the cues between them where it is a row. */
function takeOffer(offer: MoodOffer): void {
  const ids = offer.moods.map(() => nanoid(8));
  editDesign((draft: Draft<Design>) => {
    offer.moods.forEach((mood, i) => {
      draft.moods.list.push({ id: ids[i] ?? nanoid(8), ...mood } as Draft<Design['moods']['list'][number]>);
    });
    draft.moods.startId ??= ids[0] ?? null;
    for (const way of offer.ways)
      draft.moods.cues.push({
        id: nanoid(8),
        from: ids[way.from] ?? null,
        when: way.when,
        to: ids[way.to] ?? '',
        fadeS: 0,
        backAfterS: null,
      });
  });
  hands.showMood(ids[0] ?? null);
}

/** Moods that fit the lights of the plan, each to be taken and then taken apart. */
export function Offers() {
  const { assessment } = useSheet();
  const offers = offerMoods(assessment.placed, assessment.movables);
  return (
    <ul className="grid grid-cols-2 gap-x-4">
      {offers.map((offer) => (
        <li key={offer.name} className="flex items-center justify-between gap-2 border-b border-rule/60 py-1">
          <span>
            <span className="font-semibold">{offer.name}</span>
            <span className="block text-small text-faint">{offer.what}</span>
          </span>
          <Button
            className="shrink-0 whitespace-nowrap"
            aria-label={`Take ${offer.name}`}
            onClick={() => takeOffer(offer)}
          >
            Take it
          </Button>
        </li>
      ))}
    </ul>
  );
}
