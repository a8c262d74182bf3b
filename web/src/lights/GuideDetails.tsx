import { explainGuide } from '@glimmer/core/figures';
import { countLights, type ItemOf } from '@glimmer/core/items';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editItem, setField } from '../items/itemActions.ts';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { FigureLine } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { Table } from '../widgets/Table.tsx';
import { LayOut } from './LayOut.tsx';
import { PlaceCells, RemoveCell } from './PlaceCells.tsx';

type Guide = ItemOf<'guide'>;

/** Over which lights the guides begin. */
function Sources({ item }: { readonly item: Guide }) {
  const { assessment } = useSheet();
  const groups = assessment.placed.filter((group) => countLights(group) > 0);
  if (groups.length === 0) return <p className="text-small text-faint">Add a light first: guides begin over one.</p>;
  const add = (): void =>
    editItem(item, (draft) => {
      const last = draft.lights[draft.lights.length - 1];
      draft.lights.push(last ? { ...last, light: last.light + 1 } : { groupId: groups[0]?.id ?? '', light: 1 });
    });
  return (
    <div className="mt-1">
      {item.lights.map(({ groupId, light }, i) => (
        <div key={i} className="flex items-end gap-2">
          <Choice
            label={`Light ${i + 1} over which they begin`}
            value={groupId}
            options={groups.map(({ id, name }) => ({ value: id, label: name }))}
            onChoose={(id) => setField(item.id, `lights.${i}.groupId`, id)}
          />
          <QuantityField
            label={`its number, ${i + 1}`}
            kind="count"
            value={light}
            band={{ least: 1, most: 5000 }}
            onCommit={(next) => setField(item.id, `lights.${i}.light`, Math.round(next))}
          />
          <Button
            look="quiet"
            aria-label={`Take light ${i + 1} away from the guides`}
            onClick={() =>
              editItem(item, (draft) => {
                draft.lights.splice(i, 1);
              })
            }
          >
            <Trash2 size={15} />
          </Button>
        </div>
      ))}
      <Button look="quiet" onClick={add}>
        <Plus size={15} />
        {item.lights.length === 0 ? 'Say which light they begin over' : 'One more light'}
      </Button>
    </div>
  );
}

/** The holes as numbers, which light serves each, how long its guide is and what comes out. */
function Ends({ item }: { readonly item: Guide }) {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const guide = assessment.guides.find((each) => each.item.id === item.id);
  const bores = design.hollows.filter(({ kind }) => kind === 'bore');
  return (
    <details className="mt-1" open={item.ends.length > 0 && item.ends.length <= 8}>
      <summary className="cursor-pointer text-verdigris">{item.ends.length} holes, as numbers</summary>
      <Table className="w-full text-small">
        <thead>
          <tr className="text-left text-faint">
            <th className="font-normal">hole</th>
            <th className="font-normal">across</th>
            <th className="font-normal">down</th>
            <th className="font-normal">in</th>
            <th className="font-normal">light, length, gives</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {item.ends.map((end, i) => {
            const known = guide?.ends[i];
            return (
              <tr key={end.id}>
                <td className="figures w-9">{i + 1}</td>
                <PlaceCells itemId={item.id} field={`ends.${i}.at`} name={`Hole ${i + 1}`} at={end.at} />
                <td className="w-28 pr-2">
                  <Choice
                    inline
                    label={`Hole ${i + 1} is the bore`}
                    value={end.hollowId ?? 'none'}
                    options={[
                      { value: 'none', label: 'no bore' },
                      ...bores.map(({ id, name }) => ({ value: id, label: name })),
                    ]}
                    onChoose={(id) => setField(item.id, `ends.${i}.hollowId`, id === 'none' ? null : id)}
                  />
                </td>
                <td>
                  {known && guide.sources.length > 0
                    ? `${known.from.map((k) => guide.sources[k]?.name ?? '').join(' and ')}, ${printer.quantity('lengthMm', known.lengthMm)}, ${printer.quantity('intensityMcd', known.intensityMcd)}`
                    : '–'}
                </td>
                <RemoveCell
                  name={`hole ${i + 1}`}
                  onRemove={() =>
                    editItem(item, (draft) => {
                      draft.ends.splice(i, 1);
                    })
                  }
                />
              </tr>
            );
          })}
        </tbody>
      </Table>
      <Button
        look="quiet"
        onClick={() =>
          editItem(item, (draft) => {
            const last = draft.ends[draft.ends.length - 1]?.at ?? draft.at;
            draft.ends.push({ id: nanoid(8), at: { xMm: last.xMm + 20, yMm: last.yMm }, hollowId: null });
          })
        }
      >
        Add a hole beside the last
      </Button>
    </details>
  );
}

/** What follows for light guides: bundle, gap, what is lit and what is lost. */
export function GuideDetails({ item }: { readonly item: Guide }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const guide = assessment.guides.find((each) => each.item.id === item.id);
  const guided = guide?.guided ?? null;
  return (
    <>
      <Sources item={item} />
      {guide && guided && (
        <div className="mt-2">
          <FigureLine
            label={item.gather === 'bundle' ? 'Bundle, bore at least' : 'One guide, bore at least'}
            value={`⌀ ${printer.quantity('lengthMm', guided.mouthMm)}, ${printer.quantity('lengthMm', guide.boreMm)}`}
            onOpen={() => openSum(explainGuide(guide))}
          />
          <FigureLine
            label="Gap that lights all of it; lit as it stands"
            value={`${printer.quantity('lengthMm', guided.neededGapMm)}; ${printer.quantity('fraction', guided.litShare)}`}
          />
          <FigureLine
            label="Of the light, out of all ends together"
            value={printer.quantity('fraction', guided.share)}
          />
          <FigureLine label="Straight ahead of each hole" value={printer.quantity('intensityMcd', guided.endMcd)} />
          <FigureLine
            label="To cut, in all; bend no tighter than"
            value={`${printer.quantity('lengthMm', guide.metres * 1000)}; ${printer.quantity('lengthMm', guide.part.leastBendMm)}`}
          />
        </div>
      )}
      <LayOut item={item} acrossMm={guide?.part.diameterMm ?? null} />
      <Ends item={item} />
    </>
  );
}
