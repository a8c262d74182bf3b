import type { ItemOf } from '@glimmer/core/items';
import { editItem } from '../items/itemActions.ts';
import { Button } from '../widgets/Button.tsx';
import { Table } from '../widgets/Table.tsx';
import { PlaceCells, RemoveCell } from './PlaceCells.tsx';

/** The points of a route as numbers, for work without a pointer. */
export function RouteTable({ item }: { readonly item: ItemOf<'pixel tape' | 'plain tape'> }) {
  const { id, route } = item;
  return (
    <details className="mt-1">
      <summary className="text-small text-verdigris">The route’s points as numbers ({route.length})</summary>
      <Table className="mt-1 w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            <th>point</th>
            <th>across</th>
            <th>down</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {route.map((point, i) => (
            <tr key={i}>
              <td className="figures w-12">{i + 1}</td>
              <PlaceCells itemId={id} field={`route.${i}`} name={`Point ${i + 1}`} at={point} />
              <RemoveCell
                name={`point ${i + 1}`}
                onRemove={() =>
                  editItem(item, (draft) => {
                    draft.route.splice(i, 1);
                  })
                }
              />
            </tr>
          ))}
        </tbody>
      </Table>
      <Button
        look="quiet"
        onClick={() =>
          editItem(item, ({ route: now }) => {
            const end = now.at(-1);
            now.push(end ? { xMm: end.xMm + 50, yMm: end.yMm } : { xMm: 50, yMm: 50 });
          })
        }
      >
        Add a point
      </Button>
    </details>
  );
}
