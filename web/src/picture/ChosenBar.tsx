import { Trash2 } from 'lucide-react';
import { Button } from '../widgets/Button.tsx';
import { letSpotsGo, removeChosen, useChosen } from './chosen.ts';

/** What is done with all that is chosen on the picture. */
export function ChosenBar() {
  const count = useChosen(({ spots }) => spots.length);
  if (count === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-2 border-b border-rule bg-pressed px-3 py-1.5">
      <span className="flex-1" role="status">
        {count} chosen: drag one, or use the arrow keys, and all move
      </span>
      <Button look="quiet" onClick={removeChosen}>
        <Trash2 size={15} />
        Take away
      </Button>
      <Button look="quiet" onClick={letSpotsGo}>
        Let go
      </Button>
    </div>
  );
}
