import type { Told } from '../items/index.ts';
import { CLEARANCE_A_SIDE_MM, type Fit, fillOfHollow, fitBox, fitTape, type Size3 } from '../lights/index.ts';
import { joinMessages, type Message, mm, roughPercent, say } from '../units/index.ts';

/** A light in a bore, as both are called. */
interface InBore {
  readonly name: Message;
  readonly boreName: Message;
  readonly fit: Fit;
  readonly bore: { readonly diameterMm: number; readonly depthMm: number };
}

/** A light that does not go into its bore, or barely; null where it does. Wherever it is asked about. */
export function tellBoreFit({ name, boreName, fit, bore }: InBore): Told | null {
  if (fit.verdict === 'fits') return null;
  const isShallow = fit.depthToSpareMm < 0;
  return {
    rule: 'fit',
    gravity: 'mend',
    what:
      fit.verdict === 'fits if eased'
        ? say`${name}: a tight fit in ${boreName}: ${mm(fit.clearanceMm)} on each side${isShallow ? say`, and stands out by ${mm(-fit.depthToSpareMm)}` : ''}`
        : say`${name}: does not go into ${boreName}: ${mm(Math.max(fit.finishedMm, fit.wiresMm))} finished, the bore is ${mm(bore.diameterMm)}`,
    why: 'The light passes with its sleeve and its wires on, and forcing it shears the legs or the glue.',
    mend: say`Drill ${boreName} to ${mm(fit.leastBoreMm)}${isShallow ? say` and ${mm(bore.depthMm - fit.depthToSpareMm)} deep` : ''}, or take a smaller light.`,
  };
}

interface Across {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What a channel must be across to take a tape with its play. */
export const wideEnoughMm = ({ widthMm }: Pick<Across, 'widthMm'>): number => widthMm + 2 * CLEARANCE_A_SIDE_MM;

/** A tape that does not go into its channel, or barely; null where it does. */
export function tellChannelFit({
  name,
  channelName,
  tape,
  channel,
}: {
  readonly name: Message;
  readonly channelName: Message;
  readonly tape: Across;
  readonly channel: Pick<Across, 'widthMm'> & { readonly depthMm: number };
}): Told | null {
  const { verdict } = fitTape(tape, channel);
  if (verdict === 'fits') return null;
  const [{ widthMm, heightMm }, { depthMm }] = [tape, channel];
  return {
    rule: 'fit',
    gravity: 'mend',
    what: say`${name}: ${verdict === 'fits if eased' ? 'a tight fit in' : 'does not go into'} ${channelName}: tape ${mm(widthMm)} × ${mm(heightMm)}, channel ${mm(channel.widthMm)} × ${mm(depthMm)}`,
    why: 'A tape pressed into a narrow channel buckles and lifts at its joints.',
    mend: say`Widen the channel to ${mm(wideEnoughMm(tape))} and at least ${mm(heightMm)} deep, or take a narrower tape.`,
  };
}

/** Of a box so much may be filled. */
const FULL_SHARE = 0.7;

/** A box that does not hold what is to go into it; null where it does. */
export function tellBoxFit({
  boxName,
  box,
  inside,
}: {
  readonly boxName: Message;
  readonly box: Size3;
  readonly inside: readonly { readonly name: Message; readonly size: Size3 }[];
}): Told | null {
  const tooLarge = inside.filter((each) => !fitBox(each.size, box).fits);
  const { fill, fits } = fillOfHollow(
    inside.map((each) => each.size),
    box,
  );
  if (inside.length === 0 || fits) return null;
  const sizes = (each: Size3): Message => joinMessages(each.map(mm), ' × ');
  const names = (each: readonly { readonly name: Message }[]): Message =>
    joinMessages(
      each.map(({ name }) => name),
      ', ',
    );
  return {
    rule: 'box',
    gravity: 'mend',
    actual: { kind: 'fraction', value: fill },
    limit: { kind: 'fraction', value: FULL_SHARE },
    what:
      tooLarge.length > 0
        ? say`${joinMessages(
            tooLarge.map((each) => say`${each.name} (${sizes(each.size)})`),
            ', ',
          )} ${tooLarge.length === 1 ? 'does' : 'do'} not go into ${boxName} (${sizes(box)})`
        : say`${boxName} is too full: ${names(inside)} ${inside.length === 1 ? 'takes' : 'take'} ${roughPercent(fill)} of its room`,
    why: 'Wires, plugs and fingers want the rest: past seven tenths it does not close, or can’t be opened again.',
    mend: 'A larger box, a smaller pack, or something that goes elsewhere.',
  };
}
