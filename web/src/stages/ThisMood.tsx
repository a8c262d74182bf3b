import { explainCeiling, onRails } from '@glimmer/core/figures';
import { bands, type Mood, removeMood } from '@glimmer/core/plan';
import { sayCeiling } from '@glimmer/core/power';
import { say } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { Copy, Trash2 } from 'lucide-react';
import { editDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, ShareSlider, TextField } from '../widgets/fields.tsx';
import { FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { takeAway } from '../widgets/takeAway.ts';
import { copyMood } from './copyMood.ts';
import { useSheet } from './useSheet.ts';

/** A fade of the mood's own, or as long as the cue says. */
function FadeField({
  label,
  value,
  onSet,
}: {
  readonly label: string;
  readonly value: number | undefined;
  readonly onSet: (value: number | undefined) => void;
}) {
  return (
    <QuantityField
      label={label}
      kind="timeS"
      value={value ?? null}
      band={bands.fadeS}
      placeholder="as the cue says"
      onCommit={onSet}
      onClear={() => onSet(undefined)}
    />
  );
}

/** What a mood draws on the rail, and what the limiter leaves of it. */
function Draw({ moodId }: { readonly moodId: string }) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const budget = assessment.moods.find((each) => each.moodId === moodId);
  const ceiling = assessment.supply?.ceilings.find((each) => each.moodId === moodId);
  if (!budget) return null;
  return (
    <>
      <FigureLine
        label={printer.message(say`Draws ${onRails(assessment)}: mean, at its height`)}
        value={`${printer.quantity('currentA', budget.meanA)}, ${printer.quantity('currentA', budget.peakA)}`}
        onOpen={ceiling ? () => openSum(explainCeiling(assessment, ceiling)) : undefined}
      />
      {budget.limited && (
        <FigureLine
          label="What the program’s limiter leaves of it"
          value={`${printer.quantity('currentA', budget.limited.meanA)}, ${printer.quantity('currentA', budget.limited.peakA)}`}
        />
      )}
    </>
  );
}

interface MoodFieldsProps {
  readonly mood: Mood;
  readonly edit: (recipe: (draft: Draft<Mood>) => void, merge?: string) => void;
}

/** How it comes and goes. */
function Fades({ mood, edit }: Pick<MoodFieldsProps, 'mood' | 'edit'>) {
  return (
    <>
      <FadeField
        label="Comes in over"
        value={mood.fadeInS}
        onSet={(value) =>
          edit((draft) => {
            if (value === undefined) delete draft.fadeInS;
            else draft.fadeInS = value;
          })
        }
      />
      <FadeField
        label="Goes out over"
        value={mood.fadeOutS}
        onSet={(value) =>
          edit((draft) => {
            if (value === undefined) delete draft.fadeOutS;
            else draft.fadeOutS = value;
          })
        }
      />
    </>
  );
}

/** Name, brightness, fades and draw of the mood that is open. */
export function ThisMood({ mood }: { readonly mood: Mood }) {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const ceiling = assessment.supply?.ceilings.find((each) => each.moodId === mood.id);
  const edit = (recipe: (draft: Draft<Mood>) => void, merge?: string): void =>
    editDesign(
      (draft) => {
        const found = draft.moods.list.find((each) => each.id === mood.id);
        if (found) recipe(found);
      },
      merge ? { merge: `${merge} ${mood.id}` } : {},
    );
  return (
    <Section
      title="This mood"
      aside={
        <span>
          <Button look="quiet" onClick={() => copyMood(mood)}>
            <Copy size={15} />
            Copy it
          </Button>
          <Button look="quiet" onClick={() => takeAway(mood.name, (open) => removeMood(open, mood.id))}>
            <Trash2 size={15} />
            Remove {mood.name}
          </Button>
        </span>
      }
    >
      <div className="grid grid-cols-[1fr_1.4fr_auto] items-end gap-3">
        <TextField
          label="Name of the mood"
          value={mood.name}
          onCommit={(name) =>
            edit((draft) => {
              draft.name = name;
            })
          }
        />
        <ShareSlider
          label={
            ceiling ? `Brightness; its ceiling is ${printer.message(sayCeiling(ceiling.brightness))}` : 'Brightness'
          }
          value={mood.brightness}
          {...(ceiling ? { mark: ceiling.brightness } : {})}
          onChange={(value) =>
            edit((draft) => {
              draft.brightness = value;
            }, 'brightness')
          }
        />
        <Choice
          label="At the start"
          value={design.moods.startId === mood.id ? 'yes' : 'no'}
          options={[
            { value: 'yes', label: 'yes' },
            { value: 'no', label: 'no' },
          ]}
          onChoose={(value) =>
            editDesign((draft) => {
              if (value === 'yes') draft.moods.startId = mood.id;
            })
          }
        />
        <Fades mood={mood} edit={edit} />
      </div>
      <Draw moodId={mood.id} />
    </Section>
  );
}
