import { kindOf } from '@glimmer/core/items';
import { createPlan } from '@glimmer/core/plan';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { beginDrag, editDesign, endDrag, mend, openPlan, redo, undo, usePlanStore } from './planStore.ts';

const hours = (): number | undefined => usePlanStore.getState().plan?.design.piece.hoursWanted;
const want = (value: number, merge?: string): void =>
  editDesign(
    (design) => {
      design.piece.hoursWanted = value;
    },
    merge === undefined ? {} : { merge },
  );

beforeEach(() => {
  vi.useRealTimers();
  openPlan(createPlan({ id: '00000000-0000-4000-8000-000000000001', name: 'Test' }));
});

describe('undo and redo', () => {
  it('walks every edit back and forth', () => {
    for (const value of [4, 5, 6]) want(value);
    undo();
    undo();
    expect(hours()).toBe(4);
    redo();
    expect(hours()).toBe(5);
    undo();
    undo();
    expect(hours()).toBe(3);
    undo();
    expect(hours()).toBe(3);
  });
  it('has no limit within a session', () => {
    for (let i = 1; i <= 300; i += 1) want(i);
    for (let i = 0; i < 300; i += 1) undo();
    expect(hours()).toBe(3);
  });
  it('takes one drag as one edit, and two drags as two', () => {
    vi.useFakeTimers();
    for (const value of [4, 4.1, 4.2]) want(value, 'drag');
    vi.advanceTimersByTime(2000);
    for (const value of [5, 5.1]) want(value, 'drag');
    undo();
    expect(hours()).toBe(4.2);
    undo();
    expect(hours()).toBe(3);
  });
  it('takes a drag as one edit however long it pauses, and what comes after as another', () => {
    vi.useFakeTimers();
    beginDrag();
    want(4, 'drag');
    vi.advanceTimersByTime(5000);
    want(4.5, 'drag');
    endDrag();
    want(5, 'drag');
    undo();
    expect(hours()).toBe(4.5);
    undo();
    expect(hours()).toBe(3);
  });
  it('takes a mend as one edit, and a new edit ends what could be redone', () => {
    const cell = {
      kind: 'add item',
      item: kindOf('pack').create({ id: 'cell', name: 'Cell', at: { xMm: 1, yMm: 1 } }),
    } as const;
    mend([cell, { kind: 'item', id: 'cell', fields: { name: 'Spare' } }]);
    expect(usePlanStore.getState().plan?.design.items[0]?.name).toBe('Spare');
    undo();
    expect(usePlanStore.getState().plan?.design.items).toEqual([]);
    want(7);
    redo();
    expect(hours()).toBe(7);
  });
  it('begins anew with another plan', () => {
    want(8);
    openPlan(createPlan({ id: '00000000-0000-4000-8000-000000000002', name: 'Other' }));
    undo();
    expect(usePlanStore.getState().plan?.name).toBe('Other');
  });
});
