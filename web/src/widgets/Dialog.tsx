import { DialogPanel, DialogTitle, Dialog as HeadlessDialog } from '@headlessui/react';
import type { ReactNode } from 'react';

interface DialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly children: ReactNode;
  readonly side?: 'middle' | 'right';
}

/** A dialog in the middle, or a drawer at the right. Escape closes it. */
export function Dialog({ open, onClose, title, children, side = 'middle' }: DialogProps) {
  const frame = side === 'right' ? 'justify-end' : 'items-start justify-center pt-[10vh]';
  const panel =
    side === 'right'
      ? 'h-full w-[30rem] max-w-full overflow-y-auto border-l'
      : 'max-h-[80vh] w-[34rem] max-w-[94vw] overflow-y-auto border';
  return (
    <HeadlessDialog open={open} onClose={onClose} className="no-print relative z-40">
      <div className="fixed inset-0 bg-ink/25 [[data-lamp=off]_&]:bg-black/60" aria-hidden="true" />
      <div className={`fixed inset-0 flex ${frame}`}>
        <DialogPanel className={`border-rule bg-sheet p-5 text-ink ${panel}`}>
          <DialogTitle className="mb-3 font-display text-title font-semibold">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </HeadlessDialog>
  );
}
