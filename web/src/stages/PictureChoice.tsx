import { outlines } from '@glimmer/core/parts';
import { bands } from '@glimmer/core/plan';
import { ImageUp } from 'lucide-react';
import { editDesign } from '../state/planStore.ts';
import { FileButton } from '../widgets/FileButton.tsx';
import { Choice, QuantityField } from '../widgets/fields.tsx';
import { bringInPicture } from './bringInPicture.ts';
import { useSheet } from './useSheet.ts';

const chooseOutline = (outlineId: string): void => {
  const outline = outlines.find((each) => each.id === outlineId);
  editDesign((draft) => {
    if (!outline) {
      draft.view.picture = { kind: 'none' };
      return;
    }
    draft.view.picture = { kind: 'drawn', outline: outline.id };
    draft.view.heightMm = Math.round((draft.view.widthMm * outline.boxHeight) / outline.boxWidth);
  });
};

/** What lies under the plan: nothing, an outline or the maker’s own picture, at its true width. */
export function PictureChoice() {
  const { design } = useSheet();
  const { view } = design;
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-x-3 gap-y-2">
      <Choice
        label="Outline"
        value={view.picture.kind === 'drawn' ? view.picture.outline : view.picture.kind}
        options={[
          { value: 'none', label: 'bare sheet' },
          ...(view.picture.kind === 'own' ? [{ value: 'own', label: 'your own picture' }] : []),
          ...outlines.map((outline) => ({ value: outline.id, label: outline.name })),
        ]}
        onChoose={(value) => value !== 'own' && chooseOutline(value)}
      />
      <FileButton
        label="Picture to bring in"
        accept="image/svg+xml,image/png,image/jpeg,image/webp"
        onFile={bringInPicture}
      >
        <ImageUp size={16} />
        Bring in a picture
      </FileButton>
      <div className="col-span-2 grid grid-cols-2 gap-3">
        <QuantityField
          label="True width of the view"
          kind="lengthMm"
          value={view.widthMm}
          band={bands.viewMm}
          onCommit={(value) =>
            editDesign((draft) => {
              draft.view.heightMm = Math.min(
                bands.viewMm.most,
                Math.max(bands.viewMm.least, Math.round((draft.view.heightMm * value) / draft.view.widthMm)),
              );
              draft.view.widthMm = value;
            })
          }
        />
        <QuantityField
          label="True height"
          kind="lengthMm"
          value={view.heightMm}
          band={bands.viewMm}
          onCommit={(value) =>
            editDesign((draft) => {
              draft.view.heightMm = value;
            })
          }
        />
      </div>
    </div>
  );
}
