import { type LightSet, removeSet } from '@glimmer/core/plan';
import type { QuantityKind } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useSheet } from '../stages/useSheet.ts';
import { editDesign } from '../state/planStore.ts';
import { tool } from '../state/tool.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField } from '../widgets/fields.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { takeAway } from '../widgets/takeAway.ts';

type Part = LightSet['of'][number];
const count: QuantityKind = 'count';

interface SetPartProps {
  readonly set: LightSet;
  readonly part: Part;
  /** Its place among the parts: they have no names of their own, their order is what they are. */
  readonly k: number;
  readonly edit: (recipe: (draft: Draft<LightSet>) => void) => void;
}

/** Light groups that a set may take lights of. */
function useFitting(set: LightSet) {
  const { assessment } = useSheet();
  const { groups } = assessment.show;
  const nameOf = (id: string): string => assessment.placed.find((each) => each.id === id)?.name ?? id;
  // Pixels and single lights are not mixed in one set.
  const bytes = groups.find((group) => group.id === set.of[0]?.groupId)?.bytesPerPoint;
  const fitting = groups.filter((group) => group.bytesPerPoint === bytes);
  return { groups, nameOf, fitting };
}

function SetPart({ set, part, k, edit }: SetPartProps) {
  const { groups, nameOf, fitting } = useFitting(set);
  const number = (key: 'first' | 'last' | 'every', label: string) => (
    <QuantityField
      label={label}
      kind={count}
      value={part[key]}
      band={{
        least: 1,
        most: key === 'every' ? 100 : (groups.find((group) => group.id === part.groupId)?.points ?? 1),
      }}
      onCommit={(value) =>
        edit((draft) => {
          const found = draft.of[k];
          if (found) found[key] = Math.round(value);
        })
      }
    />
  );
  return (
    <div className="grid grid-cols-[1.4fr_1fr_1fr_1fr_auto] items-end gap-2 py-0.5 pl-3">
      <Choice
        label="Lights of"
        value={part.groupId}
        options={fitting.map((group) => ({ value: group.id, label: nameOf(group.id) }))}
        onChoose={(groupId) =>
          edit((draft) => {
            const found = draft.of[k];
            const points = groups.find((group) => group.id === groupId)?.points ?? 1;
            if (found) draft.of[k] = { ...found, groupId, first: 1, last: points };
          })
        }
      />
      {number('first', 'from number')}
      {number('last', 'to number')}
      {number('every', 'every')}
      <Button
        look="quiet"
        disabled={set.of.length === 1}
        aria-label={`Remove part ${k + 1} of ${set.name}`}
        onClick={() =>
          edit((draft) => {
            draft.of.splice(k, 1);
          })
        }
      >
        <Trash2 size={15} />
      </Button>
    </div>
  );
}

function SetEditor({ set }: { readonly set: LightSet }) {
  const { fitting } = useFitting(set);
  const edit = (recipe: (draft: Draft<LightSet>) => void): void =>
    editDesign((draft) => {
      const found = draft.moods.sets?.find((each) => each.id === set.id);
      if (found) recipe(found);
    });
  return (
    <li className="stitch py-2 first:border-t-0" onFocus={() => tool.pointAt(set.id)}>
      <TypedOf id={set.id}>
        <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <TextField
            label="Set"
            value={set.name}
            onCommit={(name) =>
              edit((draft) => {
                draft.name = name;
              })
            }
          />
          <Choice
            label="Its parts"
            value={set.order}
            options={[
              { value: 'one after another', label: 'one after another' },
              { value: 'interleaved', label: 'light by light in turn' },
            ]}
            onChoose={(order) =>
              edit((draft) => {
                draft.order = order;
              })
            }
          />
          <Button
            look="quiet"
            aria-label={`Remove the set ${set.name}`}
            onClick={() => takeAway(set.name, (open) => removeSet(open, set.id))}
          >
            <Trash2 size={16} />
          </Button>
        </div>
        {set.of.map((part, k) => (
          <TypedOf key={k} id={String(k)}>
            <SetPart set={set} part={part} k={k} edit={edit} />
          </TypedOf>
        ))}
        <Button
          look="quiet"
          onClick={() =>
            edit((draft) => {
              const group = fitting.find((each) => !set.of.some((part) => part.groupId === each.id)) ?? fitting[0];
              if (group) draft.of.push({ groupId: group.id, first: 1, last: group.points, every: 1 });
            })
          }
        >
          Join more lights to it
        </Button>
      </TypedOf>
    </li>
  );
}

/** Sets: lights of one group or several under a name of their own, for moves that do not follow the wiring. */
export function Sets() {
  const { design, assessment } = useSheet();
  const sets = design.moods.sets ?? [];
  const add = (): void =>
    editDesign((draft) => {
      const group = assessment.show.groups.find((each) => each.points > 1) ?? assessment.show.groups[0];
      if (!group) return;
      draft.moods.sets = [
        ...(draft.moods.sets ?? []),
        {
          id: nanoid(8),
          name: `Set ${sets.length + 1}`,
          order: 'one after another',
          of: [{ groupId: group.id, first: 1, last: Math.max(1, Math.ceil(group.points / 2)), every: 1 }],
        },
      ];
    });
  return (
    <>
      <ul>
        {sets.map((set) => (
          <SetEditor key={set.id} set={set} />
        ))}
      </ul>
      {sets.length === 0 && (
        <p className="text-faint">
          None yet. A set splits a group, joins groups or takes them light by light in turn, whatever the wiring; from a
          higher to a lower number it runs back.
        </p>
      )}
      <Button look="quiet" onClick={add}>
        Add a set
      </Button>
    </>
  );
}
