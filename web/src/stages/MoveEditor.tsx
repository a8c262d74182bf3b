import type { PlacedGroup } from '@glimmer/core/lights';
import { bands, type Move } from '@glimmer/core/plan';
import { editDesign } from '../state/planStore.ts';
import { Choice, QuantityField, ShareSlider } from '../widgets/fields.tsx';

const kinds: { value: Move['kind'] | 'dark'; label: string }[] = [
  { value: 'dark', label: 'dark' },
  { value: 'steady', label: 'steady' },
  { value: 'breathe', label: 'breathe' },
  { value: 'chase', label: 'chase' },
];

/** A move of another kind that keeps colour and level of the one before. */
function turnInto(kind: Move['kind'], before: Move | undefined, fallbackColour: string): Move {
  const colour = before?.colour ?? fallbackColour;
  const level = before ? (before.kind === 'breathe' ? before.high : before.level) : 1;
  if (kind === 'steady') return { kind, colour, level };
  if (kind === 'breathe') return { kind, colour, periodS: 3, low: 0.1, high: level };
  return { kind, colour, groups: 3, stepS: 0.2, direction: 'onward', level };
}

interface MoveEditorProps {
  readonly group: PlacedGroup;
  readonly move: Move | undefined;
  readonly moodIndex: number;
}

/** What one light group does in one mood. */
export function MoveEditor({ group, move, moodIndex }: MoveEditorProps) {
  const fallback = group.kind === 'leds' ? group.part.colour : '#ffb45e';
  const put = (next: Move | null, merge?: string): void =>
    editDesign(
      (draft) => {
        const moves = draft.moods.list[moodIndex]?.moves;
        if (!moves) return;
        if (next) moves[group.id] = next;
        else delete moves[group.id];
      },
      merge ? { merge: `${merge} ${moodIndex} ${group.id}` } : {},
    );
  const isTaped = group.kind === 'tape';
  return (
    <div className="stitch grid grid-cols-[8rem_1fr] gap-x-3 py-2 first:border-t-0">
      <div>
        <p className="font-semibold">{group.name}</p>
        <Choice
          hideLabel
          label={`Move of ${group.name}`}
          value={move?.kind ?? 'dark'}
          options={kinds}
          onChoose={(kind) => put(kind === 'dark' ? null : turnInto(kind, move, fallback))}
        />
      </div>
      {move && (
        <div className="grid grid-cols-[auto_1fr_1fr] items-end gap-x-3 gap-y-1.5">
          {isTaped ? (
            <label className="text-[13px] text-faint">
              Colour
              <input
                type="color"
                value={move.colour}
                onChange={(event) => put({ ...move, colour: event.target.value }, 'colour')}
                className="block h-8 w-12 rounded-sm border border-rule bg-paper"
              />
            </label>
          ) : (
            <span
              className="block h-8 w-12 self-end rounded-sm border border-rule"
              style={{ background: group.part.colour }}
              title="The colour of this light"
            />
          )}
          {move.kind === 'steady' && (
            <div className="col-span-2">
              <ShareSlider label="Level" value={move.level} onChange={(level) => put({ ...move, level }, 'level')} />
            </div>
          )}
          {move.kind === 'breathe' && (
            <>
              <QuantityField
                label="One breath"
                kind="timeS"
                value={move.periodS}
                band={bands.periodS}
                onCommit={(periodS) => put({ ...move, periodS })}
              />
              <ShareSlider label="Lowest" value={move.low} onChange={(low) => put({ ...move, low }, 'low')} />
              <span />
              <span />
              <ShareSlider label="Highest" value={move.high} onChange={(high) => put({ ...move, high }, 'high')} />
            </>
          )}
          {move.kind === 'chase' && (
            <>
              <QuantityField
                label="One in"
                kind="count"
                value={move.groups}
                band={bands.chaseGroups}
                onCommit={(groups) => put({ ...move, groups: Math.round(groups) })}
              />
              <QuantityField
                label="Step"
                kind="timeS"
                value={move.stepS}
                band={bands.stepS}
                onCommit={(stepS) => put({ ...move, stepS })}
              />
              <span />
              <Choice
                label="Runs"
                value={move.direction}
                options={[
                  { value: 'onward', label: 'with the data' },
                  { value: 'back', label: 'against the data' },
                ]}
                onChoose={(direction) => put({ ...move, direction })}
              />
              <ShareSlider label="Level" value={move.level} onChange={(level) => put({ ...move, level }, 'level')} />
            </>
          )}
        </div>
      )}
    </div>
  );
}
