import { bands, type Cue, type Design, isSameOccasion, listOccasions, removeCue } from '@glimmer/core/plan';
import type { Band } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { ChevronUp, Trash2 } from 'lucide-react';
import { useSheet } from '../stages/useSheet.ts';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { takeAway } from '../widgets/takeAway.ts';

/** The times that belong to an occasion. */
function Times({ when, onSet }: { readonly when: Cue['when']; readonly onSet: (fields: object) => void }) {
  const time = (label: string, value: number, band: Band, onCommit: (value: number) => void) => (
    <InSentence>
      <QuantityField hideLabel label={label} kind="timeS" value={value} band={band} onCommit={onCommit} />
    </InSentence>
  );
  switch (when.kind) {
    case 'after':
      return <> ({time('After', when.afterS, bands.afterS, (afterS) => onSet({ afterS }))})</>;
    case 'held':
      return <> {time('Held for', when.holdS, bands.holdS, (holdS) => onSet({ holdS }))}</>;
    case 'random':
      return (
        <>
          {' '}
          between {time('At the earliest', when.leastS, bands.afterS, (leastS) => onSet({ leastS }))} and{' '}
          {time('At the latest', when.mostS, bands.afterS, (mostS) => onSet({ mostS }))}
        </>
      );
    default:
      return null;
  }
}

/** A number with its unit inside a sentence. */
function InSentence({ children }: { readonly children: React.ReactNode }) {
  return <span className="inline-block w-20 align-middle">{children}</span>;
}

interface CueProps {
  readonly cue: Cue;
  readonly set: (recipe: (draft: Draft<Cue>) => unknown) => void;
}

/** In which mood, and on which occasion. */
function Occasion({ cue, set }: CueProps) {
  const { design } = useSheet();
  const occasions = listOccasions(design);
  const chosen = occasions.findIndex((each) => isSameOccasion(each.when, cue.when));
  const { when } = cue;
  return (
    <>
      In{' '}
      <Choice
        inline
        label="In which mood"
        value={cue.from ?? 'any'}
        options={[{ value: 'any', label: 'any mood' }, ...moodChoices(design)]}
        onChoose={(value) =>
          set((draft) => {
            draft.from = value === 'any' ? null : value;
          })
        }
      />
      , when{' '}
      <Choice
        inline
        label="When"
        value={String(chosen)}
        options={[
          ...(chosen < 0 ? [{ value: '-1', label: 'what its control can’t do' }] : []),
          ...occasions.map((each, i) => ({ value: String(i), label: each.words })),
        ]}
        onChoose={(value) =>
          set((draft) => {
            const found = occasions[Number(value)];
            if (found) draft.when = found.when;
          })
        }
      />
      <Times
        when={when}
        // Each occasion sets times of its own; one that has become another meanwhile keeps what it is.
        onSet={(fields) => set((draft) => draft.when.kind === when.kind && Object.assign(draft.when, fields))}
      />
    </>
  );
}

/** A time of a cue inside its sentence. */
function CueTime({ label, field, band, cue, set }: CueProps & CueTimeProps) {
  return (
    <InSentence>
      <QuantityField
        hideLabel
        label={label}
        kind="timeS"
        value={cue[field]}
        band={band}
        onCommit={(value) =>
          set((draft) => {
            draft[field] = value;
          })
        }
        {...(field === 'backAfterS'
          ? {
              onClear: () =>
                set((draft) => {
                  draft.backAfterS = null;
                }),
            }
          : {})}
      />
    </InSentence>
  );
}

interface CueTimeProps {
  readonly label: string;
  readonly field: 'fadeS' | 'backAfterS';
  readonly band: Band;
}

/** Where it leads, and how it fades over. */
function Passage({ cue, set }: CueProps) {
  const { design } = useSheet();
  return (
    <>
      , go to{' '}
      <Choice
        inline
        label="Go to"
        value={cue.to}
        options={moodChoices(design)}
        onChoose={(value) =>
          set((draft) => {
            draft.to = value;
          })
        }
      />{' '}
      over <CueTime label="Fade" field="fadeS" band={bands.fadeS} cue={cue} set={set} />
      {cue.fadeS > 0 && (
        <>
          , keeping{' '}
          <Choice
            inline
            label="What the fade keeps even"
            value={cue.keeps ?? 'current'}
            options={[
              { value: 'current', label: 'the current even' },
              { value: 'look', label: 'the look even' },
            ]}
            onChoose={(value) =>
              set((draft) => {
                draft.keeps = value;
              })
            }
          />
        </>
      )}
    </>
  );
}

/** Says how often a cue comes; none is no word of it. */
const sayUse = (cueId: string, perHour: number): void =>
  editDesign((draft) => {
    draft.moods.cueUses = [
      ...draft.moods.cueUses.filter((each) => each.cueId !== cueId),
      ...(perHour > 0 ? [{ cueId, perHour }] : []),
    ];
  });

/** Whether and when it goes back. */
function Return({ cue, set }: CueProps) {
  const { design } = useSheet();
  const isWhile = cue.when.kind === 'while';
  if (cue.backAfterS === null)
    return (
      <button
        type="button"
        className="border-b border-dashed border-ink font-semibold"
        onClick={() =>
          set((draft) => {
            draft.backAfterS = USUAL_BACK_S;
          })
        }
      >
        {isWhile ? 'then go back' : 'stay there'}
      </button>
    );
  return (
    <>
      after <CueTime label="Back after" field="backAfterS" band={bands.afterS} cue={cue} set={set} />{' '}
      {isWhile ? 'at the latest go back' : 'go back'}; about{' '}
      <InSentence>
        <QuantityField
          hideLabel
          label="Times an hour"
          kind="count"
          value={design.moods.cueUses.find((each) => each.cueId === cue.id)?.perHour ?? 0}
          band={bands.perHour}
          onCommit={(perHour) => sayUse(cue.id, perHour)}
        />
      </InSentence>{' '}
      times an hour
    </>
  );
}

const USUAL_BACK_S = 4;

const moodChoices = (design: Design): { readonly value: string; readonly label: string }[] =>
  design.moods.list.map((mood) => ({ value: mood.id, label: mood.name }));

/** Puts a cue before the one above it: the first that fits is followed. */
const moveUp = (cueId: string): void =>
  editDesign((draft) => {
    const { cues } = draft.moods;
    const at = cues.findIndex((each) => each.id === cueId);
    if (at > 0) cues.splice(at - 1, 0, ...cues.splice(at, 1));
  });

/** One cue as a sentence whose words can be changed: when, what comes, and how it goes back. */
export function CueSentence({ cue, index }: { readonly cue: Cue; readonly index: number }) {
  const set: CueProps['set'] = (recipe) =>
    editDesign((draft) => {
      const found = draft.moods.cues.find((each) => each.id === cue.id);
      if (found) recipe(found);
    });
  return (
    <li className="stitch flex items-start gap-2 py-1.5 leading-8 first:border-t-0">
      <TypedOf id={cue.id}>
        <span className="figures w-5 text-right text-faint">{index + 1}</span>
        <p className="flex-1">
          <Occasion cue={cue} set={set} />
          <Passage cue={cue} set={set} />; <Return cue={cue} set={set} />.
        </p>
        <Button
          look="quiet"
          disabled={index === 0}
          aria-label={`Move cue ${index + 1} up`}
          title="The first cue that fits is followed"
          onClick={() => moveUp(cue.id)}
        >
          <ChevronUp size={16} />
        </Button>
        <Button
          look="quiet"
          aria-label={`Remove cue ${index + 1}`}
          onClick={() => takeAway('The cue', (open) => removeCue(open, cue.id))}
        >
          <Trash2 size={16} />
        </Button>
      </TypedOf>
    </li>
  );
}
