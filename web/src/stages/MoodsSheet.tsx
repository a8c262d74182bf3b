import { explainCeiling } from '@glimmer/core/explain';
import { bands, spanOfMove } from '@glimmer/core/plan';
import { printCeiling } from '@glimmer/core/power';
import { printQuantity } from '@glimmer/core/units';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useEffect } from 'react';
import { editDesign } from '../state/planStore.ts';
import { useViewStore, view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, ShareSlider, TextField } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { addCue, Cues } from './Cues.tsx';
import { MoveEditor } from './MoveEditor.tsx';
import { Ribbons } from './Ribbons.tsx';
import { useSheet } from './useSheet.ts';

function addMood(colours: ReadonlyMap<string, string>): void {
  const id = nanoid(8);
  editDesign((draft) => {
    draft.moods.list.push({
      id,
      name: `Mood ${draft.moods.list.length + 1}`,
      brightness: 0.4,
      moves: Object.fromEntries(
        [...colours].map(([groupId, colour]) => [
          groupId,
          { kind: 'breathe' as const, colour, periodS: 4, low: 0.15, high: 1 },
        ]),
      ),
    });
    draft.moods.startId ??= id;
  });
  view.showMood(id);
}

function removeMood(id: string): void {
  editDesign((draft) => {
    const { moods } = draft;
    moods.list = moods.list.filter((mood) => mood.id !== id);
    if (moods.startId === id) moods.startId = moods.list[0]?.id ?? null;
    const gone = new Set(moods.cues.filter((cue) => cue.to === id || cue.from === id).map((cue) => cue.id));
    moods.cues = moods.cues.filter((cue) => !gone.has(cue.id));
    moods.cueUses = moods.cueUses.filter((use) => !gone.has(use.cueId));
    moods.course = moods.course.filter((step) => step.moodId !== id);
  });
}

function Course() {
  const { design, assessment } = useSheet();
  const { course, list } = design.moods;
  const total = course.reduce((sum, step) => sum + step.minutes, 0);
  return (
    <>
      {course.length > 0 && (
        <div className="mb-2 flex h-6 w-full overflow-hidden border border-rule" aria-hidden="true">
          {course.map((step, i) => (
            <span
              key={step.id}
              className={`overflow-hidden px-1.5 text-[13px] leading-6 whitespace-nowrap ${i % 2 === 0 ? 'bg-pressed' : 'bg-paper'} ${i > 0 ? 'border-l border-ink' : ''}`}
              style={{ width: `${(step.minutes / total) * 100}%` }}
            >
              {list.find((mood) => mood.id === step.moodId)?.name}
            </span>
          ))}
        </div>
      )}
      <ul>
        {course.map((step, i) => {
          const stretch = assessment.course[i];
          return (
            <li key={step.id} className="grid grid-cols-[1fr_7rem_6rem_auto] items-center gap-2 py-0.5">
              <Choice
                hideLabel
                label={`Mood ${i + 1} of the evening`}
                value={step.moodId}
                options={list.map((mood) => ({ value: mood.id, label: mood.name }))}
                onChoose={(value) =>
                  editDesign((draft) => {
                    const found = draft.moods.course[i];
                    if (found) found.moodId = value;
                  })
                }
              />
              <QuantityField
                hideLabel
                label={`How long, ${i + 1}`}
                kind="timeMin"
                value={step.minutes}
                band={bands.minutes}
                onCommit={(value) =>
                  editDesign((draft) => {
                    const found = draft.moods.course[i];
                    if (found) found.minutes = value;
                  })
                }
              />
              <span className="figures text-right text-faint">
                {stretch ? printQuantity('currentA', stretch.meanA) : ''}
              </span>
              <Button
                look="quiet"
                aria-label={`Remove part ${i + 1} of the evening`}
                onClick={() =>
                  editDesign((draft) => {
                    draft.moods.course.splice(i, 1);
                  })
                }
              >
                <Trash2 size={15} />
              </Button>
            </li>
          );
        })}
      </ul>
      {course.length === 0 && (
        <p className="text-faint">
          Without a course the first mood is taken for the whole evening. The course comes round again until the pack is
          spent.
        </p>
      )}
    </>
  );
}

/** Stage 3. */
export default function MoodsSheet() {
  const { design, assessment } = useSheet();
  const { list } = design.moods;
  const shownMoodId = useViewStore((state) => state.shownMoodId);
  const index = Math.max(
    0,
    list.findIndex((mood) => mood.id === shownMoodId),
  );
  const mood = list[index];
  const budget = assessment.moods[index];
  const ceiling = assessment.supply?.ceilings.find((each) => each.moodId === mood?.id);
  // Leaving the stage gives the picture back to the cues.
  useEffect(() => () => view.showMood(null), []);

  if (assessment.placed.length === 0)
    return (
      <BeginHere>A mood moves lights, and there are none yet: lay a tape or place a light in Lights first.</BeginHere>
    );
  const colours = new Map(
    assessment.placed.map((group) => [group.id, group.kind === 'leds' ? group.part.colour : '#ff9a3c']),
  );
  const longestS = Math.max(2, ...Object.values(mood?.moves ?? {}).map(spanOfMove));
  return (
    <>
      {list.length === 0 && (
        <BeginHere>Begin with one mood: it breathes in every light, and you take it from there.</BeginHere>
      )}
      <div className="mb-2 flex flex-wrap items-center gap-1">
        <div className="flex flex-wrap gap-1" role="tablist" aria-label="Moods">
          {list.map((each, i) => (
            <button
              key={each.id}
              type="button"
              role="tab"
              aria-selected={i === index}
              onClick={() => view.showMood(each.id)}
              className={`tag border px-3 py-1 ${i === index ? 'border-verdigris bg-verdigris text-on-verdigris' : 'border-rule bg-paper hover:bg-pressed'}`}
            >
              {each.name}
            </button>
          ))}
        </div>
        <Button look={list.length === 0 ? 'main' : 'quiet'} onClick={() => addMood(colours)}>
          Add a mood
        </Button>
        {shownMoodId !== null && (
          <Button look="quiet" onClick={() => view.showMood(null)}>
            Let the cues decide
          </Button>
        )}
      </div>
      {mood && budget && (
        <>
          <Ribbons
            show={assessment.show}
            limit={assessment.limit}
            moodIndex={index}
            placed={assessment.placed}
            spanS={Math.min(60, longestS)}
          />
          <Section
            title="This mood"
            aside={
              <Button look="quiet" onClick={() => removeMood(mood.id)}>
                <Trash2 size={15} />
                Remove {mood.name}
              </Button>
            }
          >
            <div className="grid grid-cols-[1fr_1.4fr_auto] items-end gap-3">
              <TextField
                label="Name of the mood"
                value={mood.name}
                onCommit={(name) =>
                  editDesign((draft) => {
                    const found = draft.moods.list[index];
                    if (found) found.name = name;
                  })
                }
              />
              <ShareSlider
                label={ceiling ? `Brightness; its ceiling is ${printCeiling(ceiling.brightness)}` : 'Brightness'}
                value={mood.brightness}
                {...(ceiling ? { mark: ceiling.brightness } : {})}
                onChange={(value) =>
                  editDesign(
                    (draft) => {
                      const found = draft.moods.list[index];
                      if (found) found.brightness = value;
                    },
                    { merge: `brightness ${mood.id}` },
                  )
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
            </div>
            <FigureLine
              label="Draws on the rail: mean, at its height"
              value={`${printQuantity('currentA', budget.meanA)}, ${printQuantity('currentA', budget.peakA)}`}
              onOpen={ceiling ? () => openSum(explainCeiling(assessment, ceiling)) : undefined}
            />
          </Section>
          <Section title="Moves">
            {assessment.placed.map((group) => (
              <MoveEditor key={group.id} group={group} move={mood.moves[group.id]} moodIndex={index} />
            ))}
          </Section>
        </>
      )}
      {list.length > 0 && (
        <>
          <Section
            title="Cues"
            aside={
              <Button look="quiet" onClick={addCue}>
                Add a cue
              </Button>
            }
          >
            <Cues />
          </Section>
          <Section
            title="The course of the evening"
            aside={
              <Button
                look="quiet"
                onClick={() =>
                  editDesign((draft) => {
                    draft.moods.course.push({ id: nanoid(8), moodId: (mood ?? list[0])?.id ?? '', minutes: 30 });
                  })
                }
              >
                Add a part
              </Button>
            }
          >
            <Course />
          </Section>
        </>
      )}
    </>
  );
}
