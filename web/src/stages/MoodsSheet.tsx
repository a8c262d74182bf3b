import type { Assessment } from '@glimmer/core/assess';
import { explainCeiling } from '@glimmer/core/figures';
import { spanOfMove } from '@glimmer/core/moves';
import { bands, type Design, itemNamed, type Mood, removeMood } from '@glimmer/core/plan';
import { sayCeiling } from '@glimmer/core/power';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import type { Draft } from 'immer';
import { Copy, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { CopiesNote } from '../moods/CopiesNote.tsx';
import { addCue, Cues } from '../moods/Cues.tsx';
import { Evening } from '../moods/Evening.tsx';
import { MoodMap } from '../moods/MoodMap.tsx';
import { type LightTarget, MoveStack } from '../moods/MoveStack.tsx';
import { Offers } from '../moods/Offers.tsx';
import { Ribbons } from '../moods/Ribbons.tsx';
import { Sets } from '../moods/Sets.tsx';
import { Signs } from '../moods/Signs.tsx';
import { hands, useHands } from '../state/hands.ts';
import { changeDesign, editDesign } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, ShareSlider, TextField } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { useSheet } from './useSheet.ts';

/** Groups and sets that moves are given to. */
const listTargets = (design: Design, assessment: Assessment): LightTarget[] => [
  ...assessment.movables.map(({ id, bytesPerPoint }) => {
    const group = assessment.placed.find((each) => each.id === id);
    const own = group?.shape === 'lights' ? group.part.colour : '#ffffff';
    return {
      id,
      name: itemNamed(design, id)?.name ?? id,
      fixedColour: bytesPerPoint === 1 ? own : null,
      isSet: false,
    };
  }),
  ...(design.moods.sets ?? []).map((set) => {
    const first = assessment.placed.find((group) => group.id === set.of[0]?.groupId);
    return {
      id: set.id,
      name: set.name,
      fixedColour: first?.shape === 'lights' ? first.part.colour : null,
      isSet: true,
    };
  }),
];

/** A first mood that breathes in every light. */
function addMood(targets: readonly LightTarget[]): void {
  const id = nanoid(8);
  editDesign((draft) => {
    draft.moods.list.push({
      id,
      name: `Mood ${draft.moods.list.length + 1}`,
      brightness: 0.4,
      moves: Object.fromEntries(
        targets
          .filter((target) => !target.isSet)
          .map((target) => [
            target.id,
            { kind: 'breathe' as const, colour: target.fixedColour ?? '#ff9a3c', periodS: 4, low: 0.15, high: 1 },
          ]),
      ),
    });
    draft.moods.startId ??= id;
  });
  hands.showMood(id);
}

/** A mood like this one beside it, to be changed. */
function copyMood(mood: Mood): void {
  const id = nanoid(8);
  editDesign((draft) => {
    const at = draft.moods.list.findIndex((each) => each.id === mood.id);
    const copy = structuredClone(mood) as Draft<Mood>;
    draft.moods.list.splice(at + 1, 0, { ...copy, id, name: `${mood.name} copy` });
  });
  hands.showMood(id);
}

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
        label="Draws on the rail: mean, at its height"
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
function ThisMood({ mood }: { readonly mood: Mood }) {
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
          <Button look="quiet" onClick={() => changeDesign((open) => removeMood(open, mood.id))}>
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

const pages = ['Moves', 'Cues', 'Evening', 'Sets'] as const;

function MoodTabs({ openIndex }: { readonly openIndex: number }) {
  const { list } = useSheet().design.moods;
  return (
    <div className="flex flex-wrap gap-1" role="tablist" aria-label="Moods">
      {list.map((each, i) => (
        <button
          key={each.id}
          type="button"
          role="tab"
          aria-selected={i === openIndex}
          onClick={() => hands.showMood(each.id)}
          className={`tag border px-3 py-1 ${i === openIndex ? 'border-verdigris bg-verdigris text-on-verdigris' : 'border-rule bg-paper hover:bg-pressed'}`}
        >
          {each.name}
        </button>
      ))}
    </div>
  );
}

/** The names of the pages. */
function MoodPages() {
  return (
    <TabList className="mt-2 flex gap-4 border-b border-rule">
      {pages.map((page) => (
        <Tab
          key={page}
          className="-mb-px border-b-2 border-transparent px-1 py-1 text-faint data-selected:border-verdigris data-selected:font-semibold data-selected:text-ink"
        >
          {page}
        </Tab>
      ))}
    </TabList>
  );
}

/** The pages of a mood: its moves, the cues between moods, the evening, and sets. */
function OpenMood({ mood, targets }: { readonly mood: Mood; readonly targets: readonly LightTarget[] }) {
  const { list } = useSheet().design.moods;
  return (
    <TabGroup>
      <MoodPages />
      <TabPanels className="pt-2">
        <TabPanel>
          <ThisMood mood={mood} />
          <Section title="Moves">
            {targets.map((target) => (
              <MoveStack key={target.id} target={target} mood={mood} />
            ))}
          </Section>
        </TabPanel>
        <TabPanel>
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
          {list.length > 1 && (
            <Section title="Map">
              <MoodMap shownId={mood.id} />
              <p className="text-[13px] text-faint">
                Numbers are those of the cues; dashed is the way back; the thick one is there at the start.
              </p>
            </Section>
          )}
          <Section title="Signs">
            <Signs targets={targets} />
          </Section>
        </TabPanel>
        <TabPanel>
          <Section title="The course of the evening">
            <Evening moodId={mood.id} />
          </Section>
          <CopiesNote />
        </TabPanel>
        <TabPanel>
          <Section title="Sets of lights">
            <Sets />
          </Section>
        </TabPanel>
      </TabPanels>
    </TabGroup>
  );
}

interface MoodsHeadProps {
  readonly index: number;
  readonly targets: readonly LightTarget[];
  readonly offering: boolean;
  readonly onOffer: (offering: boolean) => void;
}

/** The moods there are, one to be opened; new ones, and those that fit. */
function MoodsHead({ index, targets, offering, onOffer }: MoodsHeadProps) {
  const { list } = useSheet().design.moods;
  const shownMoodId = useHands((state) => state.shownMoodId);
  return (
    <div className="my-2 flex flex-wrap items-center gap-1">
      <MoodTabs openIndex={index} />
      <Button look={list.length === 0 ? 'main' : 'quiet'} onClick={() => addMood(targets)}>
        Add a mood
      </Button>
      {list.length > 0 && (
        <Button look="quiet" aria-pressed={offering} onClick={() => onOffer(!offering)}>
          Moods that fit
        </Button>
      )}
      {shownMoodId !== null && (
        <Button look="quiet" onClick={() => hands.showMood(null)}>
          Let cues decide
        </Button>
      )}
    </div>
  );
}

/** Stage 3. */
export default function MoodsSheet() {
  const { design, assessment } = useSheet();
  const { list } = design.moods;
  const shownMoodId = useHands((state) => state.shownMoodId);
  const [offering, setOffering] = useState(false);
  // Until one is chosen, the sheet opens at the mood that the piece begins with.
  const openId = shownMoodId ?? design.moods.startId;
  const index = Math.max(
    0,
    list.findIndex((mood) => mood.id === openId),
  );
  const mood = list[index];
  // Leaving the stage gives the picture back to the cues.
  useEffect(() => () => hands.showMood(null), []);

  if (assessment.movables.length === 0)
    return (
      <BeginHere>A mood moves lights, and there are none yet: lay a tape or place a light in Lights first.</BeginHere>
    );
  const targets = listTargets(design, assessment);
  const moves = [...Object.values(mood?.moves ?? {}), ...(mood?.tops ?? []).map((top) => top.move)];
  const longestS = Math.max(2, ...moves.map(spanOfMove));
  return (
    <>
      {list.length === 0 && (
        <BeginHere>
          Take one that fits these lights and change it as you like, or begin with one that breathes in every light.
        </BeginHere>
      )}
      <MoodsHead index={index} targets={targets} offering={offering} onOffer={setOffering} />
      {(list.length === 0 || offering) && <Offers />}
      {mood && (
        <>
          <Ribbons
            show={assessment.show}
            limit={assessment.limit}
            moodIndex={index}
            placed={assessment.placed}
            spanS={Math.min(60, longestS)}
          />
          <OpenMood mood={mood} targets={targets} />
        </>
      )}
    </>
  );
}
