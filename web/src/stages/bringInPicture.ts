import { bands } from '@glimmer/core/plan';
import { nanoid } from 'nanoid';
import { editPlan } from '../state/planStore.ts';
import { tell } from '../widgets/Toasts.tsx';
import { readPicture } from './readPicture.ts';

/** Lays a picture of the maker’s own under the plan, as high as it is by its width; says why where it can’t be. */
export function bringInPicture(file: File): void {
  readPicture(file).then(
    ({ picture, aspect }) => {
      const id = nanoid(10);
      editPlan((draft) => {
        draft.pictures[id] = picture;
        draft.design.view.picture = { kind: 'own', pictureId: id };
        draft.design.view.heightMm = Math.min(
          bands.viewMm.most,
          Math.max(bands.viewMm.least, Math.round(draft.design.view.widthMm / aspect)),
        );
      });
      tell(`${file.name} is the picture now; give its true width`);
    },
    (error: unknown) => tell(error instanceof Error ? error.message : String(error), { gravity: 'trouble' }),
  );
}
