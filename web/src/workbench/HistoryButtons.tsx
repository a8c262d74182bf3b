import { History, Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { redo, undo, useHistory } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { ChangesDialog } from './ChangesDialog.tsx';

/** One edit back, one forth, and all of them as a list. */
export function HistoryButtons() {
  const { canUndo, canRedo } = useHistory();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button look="quiet" onClick={undo} disabled={!canUndo} aria-label="Undo" data-tip="Undo (Ctrl+Z)">
        <Undo2 size={17} />
      </Button>
      <Button look="quiet" onClick={redo} disabled={!canRedo} aria-label="Redo" data-tip="Redo (Ctrl+Shift+Z)">
        <Redo2 size={17} />
      </Button>
      <Button
        look="quiet"
        className="max-[899px]:hidden"
        onClick={() => setOpen(true)}
        disabled={!canUndo && !canRedo}
        aria-label="Changes"
        data-tip="Changes since it was opened"
      >
        <History size={17} />
      </Button>
      {isOpen && <ChangesDialog onClose={() => setOpen(false)} />}
    </>
  );
}
