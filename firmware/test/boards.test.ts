import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { boardFacts, controllers } from '@glimmer/core/parts';
import { describe, expect, it } from 'vitest';
import { readBoards } from '../../scripts/writeLists.mjs';

const folder = join(import.meta.dirname, '../boards');

describe('the facts of a board', () => {
  it('stand in its folder, and core reads the list that is written from them', () => {
    expect(boardFacts).toEqual(readBoards(folder));
  });

  it.each(controllers.map((board) => [board.name, board] as const))(
    '%s: are told whole, and hold together',
    (_name, board) => {
      const { pins, code } = board;
      expect(pins.map(({ name }) => name)).toEqual(pins.map((_pin, i) => String(i + 1)));
      expect(new Set(pins.flatMap(({ can }) => can)).has('out')).toBe(true);
      expect(board.supplyLeastV).toBeLessThan(board.supplyMostV);
      expect(board.brownOutV).toBeLessThanOrEqual(board.supplyLeastV);
      expect(board.logicV).toBeLessThanOrEqual(board.supplyMostV);
      // A regulator needs its drop-out above what its chip runs at.
      if (board.regulator && !board.regulator.lifts) expect(board.supplyLeastV).toBeGreaterThanOrEqual(board.logicV);
      expect(board.pinLimitA).toBeLessThanOrEqual(board.chipLimitA);
      expect(board.memoryBytes).toBeGreaterThan(board.stackBytes);
      // Thirteen cycles of a converter at 125 kHz are 104 µs.
      expect(board.converterReadingUs).toBe(104);
      if (code === null) return;
      const files = readdirSync(folder, { recursive: true, encoding: 'utf8' });
      for (const ending of ['c', 'mk']) expect(files.some((file) => file.endsWith(`/${code}.${ending}`))).toBe(true);
    },
  );

  it('name no board twice, and every folder of a board has them', () => {
    const ids = boardFacts.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const folders = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isDirectory());
    for (const { name } of folders) expect(existsSync(join(folder, name, 'facts.json')), name).toBe(true);
  });
});
