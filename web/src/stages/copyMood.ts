import type { Mood } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { nanoid } from 'nanoid';
import { hands } from '../state/hands.ts';
import { editDesign } from '../state/planStore.ts';

/** A mood like this one beside it, to be changed. */
export function copyMood(mood: Mood): void {
  const id = nanoid(8);
  editDesign((draft) => {
    const at = draft.moods.list.findIndex((each) => each.id === mood.id);
    const copy = structuredClone(mood) as Draft<Mood>;
    draft.moods.list.splice(at + 1, 0, { ...copy, id, name: `${mood.name} copy` });
  });
  hands.showMood(id);
}
