import { nanoid } from 'nanoid';
import { LedCard } from '../lights/LedCard.tsx';
import { TapeCard } from '../lights/TapeCard.tsx';
import { editDesign } from '../state/planStore.ts';
import { view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { useSheet } from './useSheet.ts';

function addTape(): void {
  const id = nanoid(8);
  editDesign((draft) => {
    const last = draft.tapes[draft.tapes.length - 1];
    draft.tapes.push({
      id,
      name: `Tape ${draft.tapes.length + 1}`,
      part: last?.part ?? 'pixel-tape-60',
      route: [],
      lengthMm: null,
      reversed: false,
      after: null,
      channelId: null,
      dieCurrentA: null,
    });
  });
  view.pointAt(id);
  view.takeTool({ kind: 'route', tapeId: id });
}

function addLeds(): void {
  const id = nanoid(8);
  editDesign((draft) => {
    draft.leds.push({
      id,
      name: `Lights ${draft.leds.length + 1}`,
      part: 'led-5mm-warm-white',
      channels: 1,
      wantedCurrentA: 0.01,
      forwardV: null,
      resistorOhm: null,
      resistorRatedW: 0.25,
      sleeved: true,
      drivenBy: 'auto',
      places: [],
    });
  });
  view.pointAt(id);
  view.takeTool({ kind: 'light', groupId: id });
}

/** Stage 2. */
export default function LightsSheet() {
  const { design, assessment } = useSheet();
  const placedOf = (id: string) => assessment.placed.find((group) => group.id === id);
  return (
    <>
      {design.tapes.length + design.leds.length === 0 && (
        <BeginHere>
          Begin with what glows: add a tape and click its route on the picture, or add single lights and click where
          each sits. The count, the gap and the fit follow.
        </BeginHere>
      )}
      <Section
        title="Pixel tape"
        aside={
          <Button look={design.tapes.length === 0 ? 'main' : 'quiet'} onClick={addTape}>
            Add a tape
          </Button>
        }
      >
        {design.tapes.map((tape, i) => {
          const placed = placedOf(tape.id);
          return <TapeCard key={tape.id} tape={tape} index={i} placed={placed?.kind === 'tape' ? placed : undefined} />;
        })}
      </Section>
      <Section
        title="Single lights"
        aside={
          <Button look={design.leds.length === 0 ? 'main' : 'quiet'} onClick={addLeds}>
            Add single lights
          </Button>
        }
      >
        {design.leds.map((group, i) => {
          const placed = placedOf(group.id);
          return (
            <LedCard key={group.id} group={group} index={i} placed={placed?.kind === 'leds' ? placed : undefined} />
          );
        })}
      </Section>
    </>
  );
}
