import type { RunPrediction } from '@glimmer/core/logbook';
import { bands } from '@glimmer/core/plan';
import { nanoid } from 'nanoid';
import { useCallback, useState } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { editPlan } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, ShareSlider } from '../widgets/fields.tsx';
import { tellDone } from '../widgets/tellDone.ts';
import { useLogbook } from '../worker/useLogbook.ts';

interface PredictionProps {
  /** Null where there is none; undefined while it is being reckoned. */
  readonly predicted: RunPrediction | null | undefined;
}

function Prediction({ predicted }: PredictionProps) {
  const printer = usePrinter();
  return (
    <p className="text-faint">
      {predicted === undefined ? (
        'The prediction is being reckoned …'
      ) : predicted === null ? (
        'No prediction: it needs a pack and a mood.'
      ) : (
        <>
          Predicted: <span className="figures text-ink">{printer.quantity('timeH', predicted.hours)}</span>
        </>
      )}
    </p>
  );
}

interface Ran {
  readonly moodId: string;
  readonly brightness: number | null;
  readonly ranH: number | null;
  readonly ambientC: number | null;
}

/** What a form says of a run, with what the plan says where it says nothing; and what the model gives for it. */
function useRun({ moodId, brightness, ambientC }: Ran) {
  const { design } = useSheet();
  const mood = design.moods.list.find((each) => each.id === moodId);
  const shown = { mood, brightness: brightness ?? mood?.brightness ?? 1, atC: ambientC ?? design.piece.ambientC };
  const ranId = mood?.id ?? null;
  const predicted = useLogbook(
    useCallback(
      (logbook) => logbook.predict({ design, ambientC: shown.atC, moodId: ranId, brightness: shown.brightness }),
      [design, shown.atC, ranId, shown.brightness],
    ),
  );
  return { ...shown, predicted };
}

/** Says how long the piece really ran, beside what was predicted for it. */
export function RunTestForm() {
  const { design } = useSheet();
  const [ran, setRan] = useState<Ran>(() => ({
    moodId: design.moods.list[0]?.id ?? 'course',
    brightness: null,
    ranH: null,
    ambientC: null,
  }));
  const set = (fields: Partial<Ran>): void => setRan((before) => ({ ...before, ...fields }));
  const { mood, brightness, atC, predicted } = useRun(ran);
  const log = (): void => {
    const { ranH } = ran;
    if (ranH === null || predicted === undefined) return;
    editPlan((draft) => {
      draft.logbook.runTests.push({
        id: nanoid(8),
        at: new Date().toISOString(),
        moodId: mood?.id ?? null,
        moodName: mood?.name ?? 'The evening’s course',
        brightness,
        ambientC: atC,
        hours: ranH,
        predictedHours: predicted?.hours ?? null,
        ...(predicted ? { predictedWithMah: predicted.capacityMah, predictedPackId: predicted.packId } : {}),
        note: '',
      });
    });
    set({ ranH: null });
    tellDone('Run test logged');
  };
  return (
    <div className="grid grid-cols-2 items-end gap-x-3 gap-y-2">
      <Choice
        label="Mood that ran"
        value={mood?.id ?? 'course'}
        options={[
          ...design.moods.list.map((each) => ({ value: each.id, label: each.name })),
          { value: 'course', label: 'the evening’s course' },
        ]}
        onChoose={(moodId) => set({ moodId, brightness: null })}
      />
      {mood ? (
        <ShareSlider label="Brightness it ran at" value={brightness} onChange={(next) => set({ brightness: next })} />
      ) : (
        <span />
      )}
      <QuantityField
        label="How long it really ran"
        kind="timeH"
        value={ran.ranH}
        band={bands.runHours}
        placeholder="3.5 h or 210 min"
        onCommit={(ranH) => set({ ranH })}
        onClear={() => set({ ranH: null })}
      />
      <QuantityField
        label="Temperature"
        kind="temperatureC"
        value={atC}
        band={bands.ambientC}
        onCommit={(ambientC) => set({ ambientC })}
      />
      <Prediction predicted={predicted} />
      <Button
        look="main"
        onClick={log}
        disabled={ran.ranH === null || predicted === undefined}
        className="justify-self-start"
      >
        Log the run test
      </Button>
    </div>
  );
}
