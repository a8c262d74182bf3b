import { type Cue, controlsOf, type Design, occasionsOf } from '@glimmer/core/plan';
import { nanoid } from 'nanoid';
import { useSheet } from '../stages/useSheet.ts';
import { editDesign } from '../state/planStore.ts';
import { CueSentence } from './CueSentence.tsx';

/** The cues, as sentences with choices in them. */
export function Cues() {
  const { design } = useSheet();
  return (
    <ul>
      {design.moods.cues.map((cue, i) => (
        <CueSentence key={cue.id} cue={cue} index={i} />
      ))}
      {design.moods.cues.length === 0 && (
        <li className="text-faint">
          {controlsOf(design).length === 0
            ? 'Add a button, a switch or a sensor in Drive, then say here what it does. "Some time has passed" works without any.'
            : 'No cue yet: the first mood runs on and on.'}
        </li>
      )}
      {design.moods.cues.some((cue) => cue.fadeS > 0) && <li className="pt-1 text-small text-faint">{FADE_NOTE}</li>}
    </ul>
  );
}

/** What the two kinds of fade differ in: half-way each frame counts half, or looks half as bright. */
const FADE_NOTE =
  'A fade that keeps the current even has both at half their light half-way, which looks like three quarters; one that keeps the look even has both look half as bright, and draws 22 % of each.';

/** Adds a cue between the first two moods, by the first occasion there is. */
export function addCue(): void {
  editDesign((draft) => {
    const [from, to] = draft.moods.list;
    if (!from) return;
    const [control] = controlsOf(draft as Design);
    const when: Cue['when'] = (control && occasionsOf(control)[0]?.when) ?? { kind: 'after', afterS: 30 };
    draft.moods.cues.push({
      id: nanoid(8),
      from: null,
      when,
      to: (to ?? from).id,
      fadeS: 0.5,
      backAfterS: to ? 5 : null,
    });
  });
}
