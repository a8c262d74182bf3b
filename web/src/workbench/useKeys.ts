import { isOpen } from '@glimmer/core/findings';
import { type Finding, stages } from '@glimmer/core/items';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { copyOf } from '../items/itemActions.ts';
import { clock } from '../state/clock.ts';
import { useSingleKeys } from '../state/keys.ts';
import { lamp } from '../state/lamp.ts';
import { redo, undo } from '../state/planStore.ts';
import { useTool } from '../state/tool.ts';

interface KeyHandlers {
  readonly planId: string;
  readonly findings: readonly Finding[];
  readonly pointedFindingId: string | null;
  readonly onFind: () => void;
  readonly onKeys: () => void;
}

/** The item that was copied last, to be put in as often as is wanted. */
let copied: string | null = null;

/** Undo and redo work from a field too, unless something is half typed in it: then the field's own undo has the word. */
const inFields = {
  preventDefault: true,
  enableOnFormTags: true,
  ignoreEventWhen: (event: KeyboardEvent): boolean =>
    event.target instanceof Element &&
    event.target.matches('textarea, input:not([data-typing="no"]):not([type="range"]):not([type="color"])'),
} as const;

function leaveField(): void {
  const { activeElement } = document;
  if (activeElement instanceof HTMLElement && activeElement.matches('input, select, textarea')) activeElement.blur();
}

/** The keys of the workbench; they rest while a field is typed in. */
export function useKeys({ planId, findings, pointedFindingId, onFind, onKeys }: KeyHandlers): () => void {
  const navigate = useNavigate();
  const { on, by } = useSingleKeys();
  const alone = { enabled: on };
  const nextFinding = (): void => {
    const open = findings.filter(isOpen);
    const at = open.findIndex((finding) => finding.id === pointedFindingId);
    const next = open[(at + 1) % Math.max(1, open.length)];
    if (!next) return;
    void navigate(`/plan/${planId}/${next.stage}?finding=${encodeURIComponent(next.id)}`);
  };
  useHotkeys(
    stages.map((_, i) => String(i + 1)),
    (event) => {
      const stage = stages[Number(event.key) - 1];
      if (stage) void navigate(`/plan/${planId}/${stage}`);
    },
    alone,
  );
  useHotkeys(by.lamp, lamp.switch, alone);
  useHotkeys(
    by.run,
    (event) => {
      // Space on a button presses that button.
      if (event.target instanceof Element && event.target.closest('button, a, summary, [role]')) return;
      event.preventDefault();
      clock.switch();
    },
    alone,
  );
  useHotkeys(by.finding, nextFinding, alone);
  // Out of a field, so that the keys of the stages work again; what is half typed is given up first.
  useHotkeys('escape', leaveField, { enableOnFormTags: true });
  useHotkeys(
    by.find,
    (event) => {
      event.preventDefault();
      onFind();
    },
    { ...alone, enableOnFormTags: ['select'] },
  );
  useHotkeys(by.keys, onKeys, { ...alone, enableOnFormTags: ['select'] });
  useHotkeys('mod+c', () => {
    // What is marked on the page is what is copied, by the browser itself.
    if (document.getSelection()?.isCollapsed ?? true) copied = useTool.getState().pointedId;
  });
  useHotkeys('mod+v', () => {
    if (copied !== null) copyOf(copied);
  });
  useHotkeys('mod+z', undo, inFields);
  useHotkeys('mod+shift+z, mod+y', redo, inFields);
  return nextFinding;
}
