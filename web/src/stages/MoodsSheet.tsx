import type { Assessment } from '@glimmer/core/assess';
import { firstRail } from '@glimmer/core/motion';
import { spanOfMove } from '@glimmer/core/moves';
import { type Design, itemNamed, type Mood } from '@glimmer/core/plan';
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
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
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { ThisMood } from './ThisMood.tsx';
import { useSheet } from './useSheet.ts';

/** Groups and sets that moves are given to. */
const listTargets = (design: Design, assessment: Assessment): LightTarget[] => [
  ...assessment.movables.map(({ id, bytesPerPoint, switches }) => {
    const group = assessment.placed.find((each) => each.id === id);
    const own = group?.shape === 'lights' ? group.part.colour : '#ffffff';
    return {
      id,
      name: itemNamed(design, id)?.name ?? id,
      fixedColour: bytesPerPoint === 1 ? own : null,
      isSet: false,
      isSwitched: switches === true,
    };
  }),
  ...(design.moods.sets ?? []).map((set) => {
    const first = assessment.placed.find((group) => group.id === set.of[0]?.groupId);
    return {
      id: set.id,
      name: set.name,
      fixedColour: first?.shape === 'lights' && !first.part.dice ? first.part.colour : null,
      isSet: true,
      isSwitched: false,
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
          // A load stands still until it is asked for.
          .filter((target) => !target.isSet && !target.isSwitched)
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
  const [address, setAddress] = useSearchParams();
  const page = Math.max(
    0,
    pages.findIndex((each) => each.toLowerCase() === address.get('tab')),
  );
  const open = (next: number): void =>
    setAddress((before) => {
      before.set('tab', (pages[next] ?? pages[0]).toLowerCase());
      return before;
    });
  return (
    <TabGroup selectedIndex={page} onChange={open}>
      <MoodPages />
      <TabPanels className="pt-2">
        <TabPanel>
          <TypedOf id={mood.id}>
            <ThisMood mood={mood} />
            <Section title="Moves">
              {targets.map((target) => (
                <MoveStack key={target.id} target={target} mood={mood} />
              ))}
            </Section>
          </TypedOf>
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
              <p className="text-small text-faint">
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
      <BeginHere>
        {assessment.placed.length === 0
          ? 'A mood moves lights, and there are none yet: lay a tape or place a light in Lights first.'
          : 'What this piece lights is lit without a program: by a switch, a gate, or a box with a remote of its own. Moods are for lights that a controller switches; choose how each is switched in Drive.'}
      </BeginHere>
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
            rail={firstRail(assessment.limit)}
            moodIndex={index}
            placed={assessment.placed}
            nameOf={(id) => itemNamed(design, id)?.name ?? id}
            spanS={Math.min(60, longestS)}
          />
          <OpenMood mood={mood} targets={targets} />
        </>
      )}
    </>
  );
}
