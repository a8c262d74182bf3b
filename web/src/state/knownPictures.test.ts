import { createHash } from 'node:crypto';
import { createPlan, emptyDesign, type Picture, type Plan, pictureText } from '@glimmer/core/plan';
import { beforeEach, describe, expect, it, vi } from 'vitest';

const drawing = (width: number): Picture => ({
  mime: 'image/svg+xml',
  svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}"/>`,
});
const photo: Picture = { mime: 'image/png', base64: 'AAAA' };
const planWith = (pictures: Plan['pictures']): Plan => ({
  ...createPlan({ id: '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02', name: 'Piece', design: emptyDesign }),
  pictures,
});
/** As the server reckons it. */
const hashOf = (picture: Picture): string => createHash('sha256').update(pictureText(picture)).digest('hex');

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
      pictures: { front: { sha256: hashOf(drawing(10)) }, back: { sha256: hashOf(photo) } },
    });
  });

  it('are known again as another object, under another id, in another plan', async () => {
    await session.noteKnownPictures(planWith({ front: drawing(10) }));
    const copy = planWith({ inside: structuredClone(drawing(10)) });
    expect(await session.nameKnownPictures(copy)).toMatchObject({
      pictures: { inside: { sha256: hashOf(drawing(10)) } },
    });
  });

  it('are not those that came since: they are sent, once', async () => {
    await session.noteKnownPictures(planWith({ front: drawing(10) }));
    const more = planWith({ front: drawing(10), back: drawing(11) });
    expect(await session.nameKnownPictures(more)).toMatchObject({
      pictures: { front: { sha256: hashOf(drawing(10)) }, back: drawing(11) },
    });
    await session.noteKnownPictures(more);
    expect(await session.nameKnownPictures(more)).toMatchObject({
      pictures: { back: { sha256: hashOf(drawing(11)) } },
    });
  });

  it('differ where their kind does, though they hold the same letters', () => {
    expect(hashOf({ mime: 'image/png', base64: 'AAAA' })).not.toBe(hashOf({ mime: 'image/jpeg', base64: 'AAAA' }));
  });
});
