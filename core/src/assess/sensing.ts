import { designPackSense, designSensor, type PackSenseDesign, type SensorDesign } from '../drive/index.ts';
import type { ShowSensing } from '../motion/index.ts';
import type { ControllerPart } from '../parts/index.ts';
import type { Control, Design } from '../plan/index.ts';
import { modelPack, openCircuitVoltageV } from '../power/index.ts';
import type { SupplyParts } from './supply.ts';

type LightSensor = Extract<Control, { kind: 'light sensor' }>;
type ChargeSense = Extract<Control, { kind: 'charge sense' }>;

/** A control that gives a value, with its divider and thresholds. */
export type Sensing =
  | { readonly kind: 'light'; readonly control: LightSensor; readonly design: SensorDesign }
  | { readonly kind: 'charge'; readonly control: ChargeSense; readonly design: PackSenseDesign };

/** How long a change of the light must last: a hand that passes is no nightfall. */
const LIGHT_SETTLE_MS = 300;

/** Designs what every sensor of a design is read with; a charge sense needs a pack as well as a controller. */
export function designSensing(
  design: Design,
  controller: ControllerPart | null,
  supply: SupplyParts | null,
): Sensing[] {
  if (!controller) return [];
  const common = { bits: controller.converterBits } as const;
  return design.drive.controls.flatMap((control): Sensing[] => {
    if (control.kind === 'light sensor')
      return [
        {
          kind: 'light',
          control,
          design: designSensor({
            ...common,
            darkOhm: control.darkOhm,
            lightOhm: control.lightOhm,
            supplyV: controller.logicV,
          }),
        },
      ];
    if (control.kind !== 'charge sense' || !supply) return [];
    const model = modelPack({
      part: supply.pack,
      capacityMah: supply.capacityMah,
      ambientC: design.piece.ambientC,
    });
    return [
      {
        kind: 'charge',
        control,
        design: designPackSense({
          ...common,
          fullV: openCircuitVoltageV(model, 1),
          emptyV: model.cutOffV,
          lowV: control.lowV,
          referenceV: controller.logicV,
        }),
      },
    ];
  });
}

/** The thresholds as the engine wants them, by the id of the control. */
export const tellShow = (sensing: readonly Sensing[]): ReadonlyMap<string, ShowSensing> =>
  new Map(
    sensing.map((each): [string, ShowSensing] => [
      each.control.id,
      each.kind === 'light'
        ? {
            onBelow: each.design.darkBelow,
            offAbove: each.design.lightAbove,
            emptyCode: each.design.darkCode,
            fullCode: each.design.lightCode,
            settleMs: LIGHT_SETTLE_MS,
          }
        : {
            onBelow: each.design.lowBelow,
            offAbove: each.design.wellAbove,
            emptyCode: each.design.emptyCode,
            fullCode: each.design.fullCode,
            settleMs: Math.round(each.control.settleS * 1000),
          },
    ]),
  );
