import { depthOverPitchFor, layOut } from '../lights/index.ts';
import { controllers } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { amps, type Message, mm, money, percent, say } from '../units/index.ts';
import type { KindOption, Wish } from './wish.ts';

/** Ripple behind a sheet at which single lights are no longer told apart. */
const EVEN_RIPPLE = 0.08;
/** Lights stand so far apart along a stretch where nothing else is said. */
const USUAL_PITCH_MM = 20;

/** Room behind the sheet that lights so far apart want for an even glow. */
export const evenDepthMm = (pitchMm: number): number => depthOverPitchFor(EVEN_RIPPLE) * pitchMm;

/** How far apart lights may stand: for an even glow as the depth allows, else as usual. */
export const pitchOf = ({ isEven, depthMm }: Wish): number =>
  isEven && depthMm !== null ? Math.max(2, depthMm / depthOverPitchFor(EVEN_RIPPLE)) : USUAL_PITCH_MM;

/** Lights set one by one: as many points as are wished, or along the stretch. */
export const countSingles = (wish: Wish): number =>
  wish.points ?? Math.max(1, Math.ceil((wish.stretchMm ?? 0) / pitchOf(wish)) + 1);

/** The most that any controller has for lights: what asks for more pins can’t be. */
export const mostPins = Math.max(
  ...controllers.map((part) => part.pins.filter(({ can }) => can.includes('out')).length),
);

/** Less than this through a light is hardly seen. */
const LEAST_SEEN_A = 0.001;

/** What current, depth and money leave to be wished of lights that draw alike. */
export function missesOf(
  wish: Wish,
  asks: Pick<KindOption, 'worstA' | 'cost' | 'depthMm' | 'lights'>,
): readonly Message[] {
  const { mostA, depthMm, budget } = wish;
  return [
    ...(mostA !== null && asks.worstA > mostA
      ? [say`at full it asks ${amps(asks.worstA)} of ${amps(mostA)}: ${percent(mostA / asks.worstA)} of it can be lit`]
      : []),
    ...(depthMm !== null && asks.depthMm > depthMm
      ? [say`${wish.isEven ? 'an even glow' : 'it'} wants ${mm(asks.depthMm)} of depth, there are ${mm(depthMm)}`]
      : []),
    ...(budget !== null && asks.cost > budget ? [say`${money(asks.cost)}, and ${money(budget)} are there`] : []),
  ];
}

/** Whether so many lights are left dark by what the supply gives. */
export const isTooDim = ({ mostA }: Wish, lights: number): boolean => mostA !== null && mostA / lights < LEAST_SEEN_A;

/** Places in a row across the middle of the picture, as long as is wished where it has room. */
export function acrossMiddle({ view }: Pick<Design, 'view'>, lengthMm: number | null, count: number) {
  const [middle, half] = [view.widthMm / 2, Math.min(view.widthMm * 0.8, lengthMm ?? view.widthMm * 0.6) / 2];
  const [from, to] = [middle - half, middle + half].map((xMm) => ({
    xMm: Math.round(xMm),
    yMm: Math.round(view.heightMm / 2),
  }));
  return from && to ? layOut({ shape: 'row', from, to, count }) : [];
}
