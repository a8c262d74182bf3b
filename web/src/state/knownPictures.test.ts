import { createPlan, emptyDesign, type Picture, type Plan } from '@glimmer/core/plan';
import { beforeEach, describe, expect, it, vi } from 'vitest';

const drawing = (width: number): Picture => ({
  mime: 'image/svg+xml',
  svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}"/>`,
});
const photo = { mime: 'image/png', base64: 'AAAA' } as const;
const planWith = (pictures: Plan['pictures']): Plan => ({
  ...createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02', name: 'Piece', design: emptyDesign }),
  pictures,
});
/** By `printf 'MIME\\nCONTENT' | sha256sum`. */
const hashes = {
  ten: '5b9ecc4632f00d1d7f259146c3a4c7975e25b2d1c08b0cbf57c96a497a95befd',
  eleven: '1aec639d694b2a83a13d5fa2baa6e2f84e843b4358f25be8b992990ad49f2c5d',
  photo: '211e15a33a551bcbfc1f40fb72b4303e7be87385351d3d9f1bd748ecf0a9b090',
} as const;

/** A session of its own for each test. */
let session: typeof import('./knownPictures.ts');
beforeEach(async () => {
  vi.resetModules();
  session = await import('./knownPictures.ts');
});

describe('pictures that the server has', () => {
  it('are none at first: a plan is sent whole', async () => {
    const plan = planWith({ front: drawing(10) });
    expect(await session.nameKnownPictures(plan)).toBe(plan);
  });

  it('are named by what they hold, and all else of the plan is sent as it is', async () => {
    const plan = planWith({ front: drawing(10), back: photo });
    await session.noteKnownPictures(plan);
    expect(await session.nameKnownPictures({ ...plan, name: 'Renamed' })).toEqual({
      ...plan,
      name: 'Renamed',
      pictures: { front: { sha256: hashes.ten }, back: { sha256: hashes.photo } },
    });
  });

  it('are known again as another object, under another id, in another plan', async () => {
    await session.noteKnownPictures(planWith({ front: drawing(10) }));
    const copy = planWith({ inside: structuredClone(drawing(10)) });
    expect(await session.nameKnownPictures(copy)).toMatchObject({
      pictures: { inside: { sha256: hashes.ten } },
    });
  });

  it('are not those that came since: they are sent, once', async () => {
    await session.noteKnownPictures(planWith({ front: drawing(10) }));
    const more = planWith({ front: drawing(10), back: drawing(11) });
    expect(await session.nameKnownPictures(more)).toMatchObject({
      pictures: { front: { sha256: hashes.ten }, back: drawing(11) },
    });
    await session.noteKnownPictures(more);
    expect(await session.nameKnownPictures(more)).toMatchObject({
      pictures: { back: { sha256: hashes.eleven } },
    });
  });

  it('differ where their kind does, though they hold the same letters', async () => {
    await session.noteKnownPictures(planWith({ front: photo }));
    const other = planWith({ front: { mime: 'image/jpeg', base64: photo.base64 } });
    expect(await session.nameKnownPictures(other)).toEqual(other);
  });
});
