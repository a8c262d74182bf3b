import { bands, type Tape } from '@glimmer/core/plan';
import { Trash2 } from 'lucide-react';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { QuantityField } from '../widgets/fields.tsx';

/** The points of a route as numbers, for work without a pointer. */
export function RouteTable({ tape, index }: { readonly tape: Tape; readonly index: number }) {
  return (
    <details className="mt-1">
      <summary className="text-[13.5px] text-verdigris">{tape.route.length} points of the route, as numbers</summary>
      <table className="mt-1 w-full text-[13.5px]">
        <thead>
          <tr className="text-left text-faint">
            <th>point</th>
            <th>across</th>
            <th>down</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {tape.route.map((point, i) => (
            <tr key={i}>
              <td className="figures w-12">{i + 1}</td>
              {(['xMm', 'yMm'] as const).map((axis) => (
                <td key={axis} className="pr-2">
                  <QuantityField
                    hideLabel
                    label={`Point ${i + 1} ${axis === 'xMm' ? 'across' : 'down'}`}
                    kind="lengthMm"
                    value={point[axis]}
                    band={bands.placeMm}
                    onCommit={(value) =>
                      editDesign((draft) => {
                        const found = draft.tapes[index]?.route[i];
                        if (found) found[axis] = value;
                      })
                    }
                  />
                </td>
              ))}
              <td>
                <Button
                  look="quiet"
                  aria-label={`Remove point ${i + 1}`}
                  onClick={() =>
                    editDesign((draft) => {
                      draft.tapes[index]?.route.splice(i, 1);
                    })
                  }
                >
                  <Trash2 size={15} />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button
        look="quiet"
        onClick={() =>
          editDesign((draft) => {
            const route = draft.tapes[index]?.route;
            const last = route?.[route.length - 1];
            route?.push(last ? { xMm: last.xMm + 50, yMm: last.yMm } : { xMm: 50, yMm: 50 });
          })
        }
      >
        Add a point
      </Button>
    </details>
  );
}
