import type { Assessment } from '@glimmer/core/assess';
import { bareRadiusMm, exposedShare, PIXEL_DIMMING_HZ, PIXEL_MCD, spotRadiusMm } from '@glimmer/core/lights';
import { parseColour } from '@glimmer/core/moves';

/** How millimetres of the view become pixels of the canvas. */
export interface Fitting {
  /** Pixels of a millimetre. */
  readonly scale: number;
  /** From the pane’s left edge to the view’s. */
  readonly leftPx: number;
  /** From the pane’s top edge to the view’s. */
  readonly topPx: number;
  /** Of the pane. */
  readonly widthPx: number;
  /** Of the pane. */
  readonly heightPx: number;
}

const SPRITE_PX = 64;
const sprites = new Map<number, HTMLCanvasElement>();

/** A soft round glow of one colour, made once and drawn many times; colours are rounded to 16 steps each. */
function spriteOf(red: number, green: number, blue: number): HTMLCanvasElement {
  const key = ((red >> 4) << 8) | ((green >> 4) << 4) | (blue >> 4);
  const known = sprites.get(key);
  if (known) return known;
  const sprite = document.createElement('canvas');
  sprite.width = SPRITE_PX;
  sprite.height = SPRITE_PX;
  const context = sprite.getContext('2d');
  if (context) {
    const glow = context.createRadialGradient(
      SPRITE_PX / 2,
      SPRITE_PX / 2,
      0,
      SPRITE_PX / 2,
      SPRITE_PX / 2,
      SPRITE_PX / 2,
    );
    const colour = (alpha: number, whiten = 0): string =>
      `rgba(${[red, green, blue].map((value) => Math.round(value + (255 - value) * whiten)).join(',')},${alpha})`;
    glow.addColorStop(0, colour(1, 0.55));
    glow.addColorStop(0.16, colour(0.85, 0.15));
    glow.addColorStop(0.42, colour(0.26));
    glow.addColorStop(1, colour(0));
    context.fillStyle = glow;
    context.fillRect(0, 0, SPRITE_PX, SPRITE_PX);
  }
  sprites.set(key, sprite);
  return sprite;
}

/** Light, 0…1, to what a screen shows for it. */
const onScreen = (light: number): number => light ** (1 / 2.2);

/** One light of the picture: where it is, where it stands in the frame, and how it looks. */
export interface Light {
  readonly xMm: number;
  readonly yMm: number;
  /** Of its first byte in the frame. */
  readonly at: number;
  /** Null = three bytes from the frame; else one byte scales this colour. */
  readonly colour: readonly [number, number, number] | null;
  /** Of its spot. */
  readonly radiusMm: number;
  /** Its light at full against the brightest of the piece, as a share. */
  readonly relative: number;
  /** How often it goes on and off while it is dimmed. */
  readonly dimmingHz: number;
  /** Behind a light gate: dark while the room is lit. */
  readonly onlyInDark: boolean;
  /** First bytes of others that are mixed into it in equal parts, where a guide gathers several. */
  readonly mixedWith?: readonly number[];
}

/** A light that stands in no frame: always at full. */
const ALWAYS = -1;
const WHITE = [255, 255, 255] as const;

/** The eight-bit board dims by hardware at this rate. */
const CHANNEL_DIMMING_HZ = 977;

type Measured = Light & { readonly mcd: number };

/** The lights of one group, where they sit. */
function lightsOf(group: Assessment['placed'][number], { show, driven, consumers }: Assessment): Measured[] {
  const row = show.groups.find((each) => each.id === group.id);
  const drive = driven.find((each) => each.itemId === group.id);
  // What no program drives is lit while its supply is; on a supply that is not there it stays dark.
  const isLit = (consumers.find((each) => each.id === group.id)?.steadyPeakA ?? 0) > 0;
  if (!row && !isLit) return [];
  if (group.shape === 'pixels') {
    if (!row) return [];
    // Those that are not used stay dark.
    return group.places.slice(0, group.lit).map((place, i) => ({
      ...place,
      at: row.offset + i * 3,
      colour: null,
      radiusMm: spotRadiusMm(bareRadiusMm(PIXEL_MCD), group.tape.diffuserMm),
      relative: 1,
      mcd: PIXEL_MCD,
      dimmingHz: PIXEL_DIMMING_HZ,
      onlyInDark: false,
    }));
  }
  const channels = Math.max(1, row?.points ?? 1);
  const share = drive ? drive.corners.currentA / Math.max(1e-6, drive.ratedCurrentA) : 1;
  const mcd = group.shape === 'lights' ? group.part.intensityMcd : PIXEL_MCD;
  const diffuserMm = group.shape === 'lights' ? group.group.diffuserMm : group.tape.diffuserMm;
  return group.places.map((place, i) => ({
    ...place,
    at: row ? row.offset + (row.bytesPerPoint === 3 ? 0 : i % channels) : ALWAYS,
    colour: row?.bytesPerPoint === 3 ? null : group.shape === 'lights' ? parseColour(group.part.colour) : WHITE,
    radiusMm: spotRadiusMm(bareRadiusMm(mcd), diffuserMm),
    relative: 1,
    mcd: mcd * (group.shape === 'lights' ? share : 1),
    dimmingHz: CHANNEL_DIMMING_HZ,
    onlyInDark: drive?.way.id === 'light gate',
  }));
}

/** Where guides end their light is seen, and no longer where they begin: there they stand before it. */
function throughGuides(lights: ReadonlyMap<string, Measured>, { guides }: Assessment): Measured[] {
  const covered = new Set(
    guides.flatMap(({ sources, ends }) =>
      ends.length === 0 ? [] : sources.map(({ groupId, light }) => `${groupId} ${light}`),
    ),
  );
  const ends = guides.flatMap(({ sources, ends: holes }) =>
    holes.flatMap(({ at, from, intensityMcd }): Measured[] => {
      const [first, ...others] = from.flatMap((k) => {
        const source = sources[k];
        return source ? (lights.get(`${source.groupId} ${source.light}`) ?? []) : [];
      });
      if (!first) return [];
      return [
        {
          ...first,
          ...at,
          mcd: intensityMcd,
          radiusMm: bareRadiusMm(intensityMcd),
          mixedWith: others.map((each) => each.at),
        },
      ];
    }),
  );
  return [...[...lights].flatMap(([key, light]) => (covered.has(key) ? [] : [light])), ...ends];
}

/** All lights of an assessed design, with what they give at full against each other. */
export function listLights(assessment: Assessment): Light[] {
  const own = new Map(
    assessment.placed.flatMap((group) =>
      lightsOf(group, assessment).map((light, i): [string, Measured] => [`${group.id} ${i}`, light]),
    ),
  );
  const lights = throughGuides(own, assessment);
  const brightest = Math.max(1, ...lights.map((light) => light.mcd));
  return lights.map(({ mcd, ...light }) => ({ ...light, relative: mcd / brightest }));
}

/** A camera's frame: how long the shutter is open, and when the first row is read. */
export interface Exposure {
  /** For which it looks. */
  readonly shutterS: number;
  /** When it begins. */
  readonly fromS: number;
  /** From the first row to the last. */
  readonly readOutS: number;
}

/** What lights are painted with. */
export interface Painter {
  readonly context: CanvasRenderingContext2D;
  /** How the view lies on the pane. */
  readonly fitting: Fitting;
  /** On, lights are drawn over paper; off, they are all there is. */
  readonly lamp: 'on' | 'off';
  /** Width of the view. */
  readonly viewMm: number;
  /** Null for the eye. */
  readonly exposure: Exposure | null;
}

/** Small models need small dots: radii are held to a share of the view. */
const sizeOf = (radiusMm: number, viewMm: number): number => Math.min(radiusMm * 1.4, (viewMm * radiusMm) / 260);

/** Nearer to each other than this share of their radius, lights of one kind melt into one. */
const MELTS = 0.2;

/** One or several lights that are painted at once: where on the canvas, how large, and which bytes each colour is the mean of. */
interface Glow {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  /** Any of them: they are alike. */
  readonly light: Light;
  /** First bytes of what is mixed in equal parts; none for what is always at full. */
  readonly bytes: readonly number[];
  /** How many stand here. */
  readonly count: number;
}

const isAlike = (a: Light, b: Light): boolean =>
  a.colour === b.colour &&
  a.radiusMm === b.radiusMm &&
  a.relative === b.relative &&
  a.dimmingHz === b.dimmingHz &&
  a.onlyInDark === b.onlyInDark &&
  !a.mixedWith &&
  !b.mixedWith;

/** Lays lights on a canvas; those that could not be told from their neighbours become one with them. */
export function layGlows(
  lights: readonly Light[],
  { fitting, lamp, viewMm }: Omit<Painter, 'context' | 'exposure'>,
): Glow[] {
  const glows: Glow[] = [];
  const inThisRoom = lamp === 'on' ? lights.filter((light) => !light.onlyInDark) : lights;
  for (const light of inThisRoom) {
    const x = fitting.leftPx + light.xMm * fitting.scale;
    const y = fitting.topPx + light.yMm * fitting.scale;
    const last = glows.at(-1);
    const own = light.at === ALWAYS ? [] : [light.at, ...(light.mixedWith ?? [])];
    if (last && isAlike(last.light, light) && Math.hypot(x - last.x, y - last.y) < MELTS * last.radius) {
      glows[glows.length - 1] = { ...last, bytes: [...last.bytes, ...own], count: last.count + 1 };
      continue;
    }
    const radius = Math.max(1.5, sizeOf(light.radiusMm, viewMm) * fitting.scale * (lamp === 'off' ? 1.5 : 0.62));
    glows.push({ x, y, radius, light, bytes: own, count: 1 });
  }
  return glows;
}

/** Light, 0…1, to what a screen shows for it, by steps of a thousandth. */
const shownSteps = Float64Array.from({ length: 1001 }, (_, i) => onScreen(i / 1000));
const shown = (light: number): number => shownSteps[Math.round(light * 1000)] ?? 1;

/** Level of one colour of what is painted at once, 0 to 1: the mean. */
function levelOf({ bytes }: Glow, frame: ArrayLike<number>, k: number): number {
  if (bytes.length === 0) return 1;
  let sum = 0;
  for (const at of bytes) sum += frame[at + k] ?? 0;
  return sum / (255 * bytes.length);
}

/** Paints the lights of a frame: their own colour and relative brightness, each as wide as its diffuser spreads it. */
export function paintLights(
  { context, fitting, lamp, exposure }: Painter,
  glows: readonly Glow[],
  frame: ArrayLike<number>,
): void {
  context.clearRect(0, 0, fitting.widthPx, fitting.heightPx);
  context.globalCompositeOperation = lamp === 'off' ? 'lighter' : 'source-over';
  for (const glow of glows) {
    const { x, y, radius, light, count } = glow;
    const seen = (k: number): number => {
      const level = levelOf(glow, frame, k);
      if (!exposure || level === 0) return shown(level);
      const openS = exposure.fromS + (y / Math.max(1, fitting.heightPx)) * exposure.readOutS;
      return shown(exposedShare.reckon({ d: level, f: light.dimmingHz, t: openS, e: exposure.shutterS }));
    };
    const first = seen(0);
    const [green, blue] = light.colour ? [0, 0] : [seen(1), seen(2)];
    const level = light.colour ? first : Math.max(first, green, blue);
    // Where all are lit by the room too, how bright they are against each other does not count.
    const strength = lamp === 'off' ? level * shown(light.relative) : level;
    if (strength <= 0.004) continue;
    const sprite = light.colour
      ? spriteOf(...light.colour)
      : spriteOf((first / level) * 255, (green / level) * 255, (blue / level) * 255);
    context.globalAlpha = Math.min(1, lamp === 'off' ? strength * count : 0.25 + 0.75 * strength);
    context.drawImage(sprite, x - radius, y - radius, 2 * radius, 2 * radius);
  }
  context.globalAlpha = 1;
}
