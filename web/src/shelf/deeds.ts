import type { Plan } from '@glimmer/core/plan';
import { forgetHeld } from '../keeping/index.ts';
import { api, type ShelfEntry } from '../state/api.ts';
import { tell } from '../widgets/Toasts.tsx';
import { saveFile } from './files.ts';
import { sayTrouble } from './sayTrouble.ts';

/** A plan as far as it is called by its name. */
export type Named = Pick<ShelfEntry, 'id' | 'name'>;

/** One plan by its name, several by their number. */
export const sayPlans = (plans: readonly Named[]): string => {
  const [only] = plans;
  return only && plans.length === 1 ? only.name : `${plans.length} plans`;
};

/**
 * Does something with plans, one after another, and says so; what went wrong is said, and the others are done all the same.
 * @param takeBack behind the notice's Undo
 */
export async function doWith(
  plans: readonly Named[],
  deed: (plan: Named) => Promise<unknown>,
  say: { readonly done: string; readonly takeBack?: () => void },
): Promise<void> {
  const done: Named[] = [];
  for (const plan of plans) {
    try {
      await deed(plan);
      done.push(plan);
    } catch (trouble) {
      tell(`${plan.name}: ${sayTrouble(trouble)}`, { gravity: 'trouble' });
    }
  }
  if (done.length > 0) tell(`${sayPlans(done)} ${say.done}`, say.takeBack ? { undo: say.takeBack } : {});
}

/** A name as part of that of a file. */
const fileName = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-');

/** A plan as a file. */
export async function takeOut({ id, name }: Named): Promise<void> {
  const { plan } = await api.load(id);
  saveFile(`${fileName(name)}.glimmer.json`, `${JSON.stringify(plan, null, 2)}\n`, 'application/json');
}

/** Deletes plans that are put away, for good; as long as the notice is there they can be taken back. */
export async function deleteForGood(plans: readonly Named[], onChange: () => void): Promise<void> {
  const last: Plan[] = [];
  const takeBack = async (): Promise<void> => {
    for (const plan of last) {
      await api.add(plan);
      await api.setPutAway(plan.id, true);
    }
    onChange();
  };
  await doWith(
    plans,
    async ({ id }) => {
      last.push((await api.remove(id)).plan);
      await forgetHeld(id).catch(() => undefined);
    },
    {
      done: 'deleted for good',
      takeBack: () => {
        takeBack().catch((trouble: unknown) => tell(sayTrouble(trouble), { gravity: 'trouble' }));
      },
    },
  );
  onChange();
}
