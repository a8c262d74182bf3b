import type { Assessment } from '../assess.ts';
import type { LightItem } from '../items/index.ts';

/** The single lights of this id; null where it is something else. */
export function singleLights({ placed }: Assessment, itemId: string): LightItem | null {
  const group = placed.find((each) => each.id === itemId);
  return group?.shape === 'lights' ? group.group : null;
}
