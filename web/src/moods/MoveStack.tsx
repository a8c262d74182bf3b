import { changeMove, type Move, moveKinds } from '@glimmer/core/moves';
import { type Laying, layings, type Mood, moveOn } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { Layers, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice } from '../widgets/fields.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { MoveSettings } from './MoveSettings.tsx';

/** Lights that moves are given to: a group, or a set of the maker's own. */
export interface LightTarget {
  readonly id: string;
  readonly name: string;
  /** The colour of single lights; null for pixels. */
  readonly fixedColour: string | null;
  /** Lights of several groups. */
  readonly isSet: boolean;
  /** No light: a load or a signal, which is on or off. */
  readonly isSwitched: boolean;
}

const ranks = { dark: 'stands still', steady: 'runs', shots: 'runs in bursts' } as const;

/** What a load does in one mood: it runs, runs in bursts, or stands still. A move that dims just runs it. */
function SwitchedMove({ target, mood }: MoveStackProps) {
  const move = moveOn(mood.moves, target.id);
  const edit = (recipe: (draft: Draft<Mood>) => void, merge?: string): void =>
    editDesign(
      (draft) => {
        const found = draft.moods.list.find((each) => each.id === mood.id);
        if (found) recipe(found);
      },
      merge ? { merge: `${merge} ${mood.id} ${target.id}` } : {},
    );
  const now = move === undefined ? 'dark' : move.kind === 'shots' ? 'shots' : 'steady';
  return (
    <div className="stitch grid grid-cols-[8rem_1fr] gap-x-3 py-2 first:border-t-0" data-target={target.name}>
      <div>
        <p className="font-semibold">{target.name}</p>
        <Choice
          hideLabel
          label={`What ${target.name} does`}
          value={now}
          options={(['dark', 'steady', 'shots'] as const).map((value) => ({ value, label: ranks[value] }))}
          onChoose={(kind) =>
            edit((draft) => {
              if (kind === 'dark') delete draft.moves[target.id];
              else draft.moves[target.id] = changeMove(kind, undefined, '#ffffff') as Draft<Move>;
            })
          }
        />
      </div>
      {move?.kind === 'shots' && (
        <MoveSettings
          move={move}
          fixedColour="transparent"
          onSet={(fields, merge) => edit((draft) => Object.assign(draft.moves[target.id] ?? {}, fields), merge)}
        />
      )}
    </div>
  );
}

const kinds = moveKinds.map((value) => ({ value, label: value }));
const hows: Readonly<Record<Laying, string>> = { over: 'over it', add: 'added', lightest: 'lighter' };

interface MoveStackProps {
  readonly target: LightTarget;
  readonly mood: Mood;
}

interface TopProps {
  readonly top: NonNullable<Mood['tops']>[number];
  readonly target: LightTarget;
  /** Colour of a move that had none. */
  readonly fallback: string;
  readonly edit: (recipe: (draft: Draft<Mood>) => void, merge?: string) => void;
}

/** A move that is laid upon another. */
function Top({ top, target, fallback, edit }: TopProps) {
  const editTop = (recipe: (draft: Draft<typeof top>) => void, merge?: string): void =>
    edit((draft) => {
      const found = draft.tops?.find((each) => each.id === top.id);
      if (found) recipe(found);
    }, merge);
  return (
    <div className="mt-2 ml-3 grid grid-cols-[8rem_1fr] gap-x-3 border-l-2 border-rule pl-2">
      <div>
        <Choice
          hideLabel
          label={`Upon ${target.name}`}
          value={top.move.kind}
          options={kinds}
          onChoose={(kind) =>
            editTop((draft) => {
              draft.move = changeMove(kind, top.move, fallback) as Draft<Move>;
            })
          }
        />
        <div className="mt-1 flex items-center gap-1">
          <Choice
            hideLabel
            label="How it lies"
            value={top.how}
            options={layings.map((value) => ({ value, label: hows[value] }))}
            onChoose={(how) =>
              editTop((draft) => {
                draft.how = how;
              })
            }
          />
          <Button
            look="quiet"
            aria-label={`Take this move off ${target.name}`}
            onClick={() =>
              edit((draft) => {
                draft.tops = draft.tops?.filter((each) => each.id !== top.id) ?? [];
              })
            }
          >
            <Trash2 size={15} />
          </Button>
        </div>
      </div>
      <MoveSettings
        move={top.move}
        fixedColour={target.fixedColour}
        onSet={(fields, merge) => editTop((draft) => Object.assign(draft.move, fields), merge && `${merge} ${top.id}`)}
      />
    </div>
  );
}

/** What one light group, set or load does in one mood. */
export const MoveStack = (props: MoveStackProps) => (
  <TypedOf id={props.target.id}>
    {props.target.isSwitched ? <SwitchedMove {...props} /> : <LightMoves {...props} />}
  </TypedOf>
);

/** What lights do in one mood: a first move, and those laid upon it. */
function LightMoves({ target, mood }: MoveStackProps) {
  const move = moveOn(mood.moves, target.id);
  const fallback = target.fixedColour ?? '#ffb45e';
  const edit = (recipe: (draft: Draft<Mood>) => void, merge?: string): void =>
    editDesign(
      (draft) => {
        const found = draft.moods.list.find((each) => each.id === mood.id);
        if (found) recipe(found);
      },
      merge ? { merge: `${merge} ${mood.id} ${target.id}` } : {},
    );
  const put = (next: Move | null): void =>
    edit((draft) => {
      // Immer freezes what it is given; a draft of a move is one.
      if (next) draft.moves[target.id] = next as Draft<Move>;
      else delete draft.moves[target.id];
    });
  const tops = (mood.tops ?? []).filter((top) => top.on === target.id);
  const addTop = (): void =>
    edit((draft) => {
      draft.tops = [
        ...(draft.tops ?? []),
        { id: nanoid(8), on: target.id, how: 'over', move: changeMove('sparkle', undefined, '#ffffff') as Draft<Move> },
      ];
    });
  const nothing = target.isSet ? 'nothing of its own' : 'dark';
  return (
    <div className="stitch py-2 first:border-t-0" data-target={target.name}>
      <div className="grid grid-cols-[8rem_1fr] gap-x-3">
        <div>
          <p className="font-semibold">{target.name}</p>
          <Choice
            hideLabel
            label={`Move of ${target.name}`}
            value={move?.kind ?? 'dark'}
            options={[{ value: 'dark', label: nothing }, ...kinds]}
            onChoose={(kind) => put(kind === 'dark' ? null : changeMove(kind, move, fallback))}
          />
          <button
            type="button"
            onClick={addTop}
            aria-label={`Lay a move upon ${target.name}`}
            className="mt-1 flex items-center gap-1 text-small text-verdigris underline decoration-dotted underline-offset-4"
          >
            <Layers size={14} aria-hidden="true" />
            Lay one upon it
          </button>
        </div>
        {move && (
          <MoveSettings
            move={move}
            fixedColour={target.fixedColour}
            onSet={(fields, merge) => edit((draft) => Object.assign(draft.moves[target.id] ?? {}, fields), merge)}
          />
        )}
      </div>
      {tops.map((top) => (
        <TypedOf key={top.id} id={top.id}>
          <Top top={top} target={target} fallback={fallback} edit={edit} />
        </TypedOf>
      ))}
    </div>
  );
}
