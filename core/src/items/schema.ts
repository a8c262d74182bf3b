import { z } from 'zod';
import { boardSchema } from './board/schema.ts';
import { boxSchema } from './box/schema.ts';
import { changeoverSchema } from './changeover/schema.ts';
import { chargerSchema } from './charger/schema.ts';
import { buttonSchema, latchingSwitchSchema, remoteSchema, tiltSwitchSchema } from './control/schema.ts';
import { converterSchema } from './converter/schema.ts';
import { driverSchema } from './driver/schema.ts';
import { guideSchema } from './guide/schema.ts';
import { leadSwitchSchema } from './leadSwitch/schema.ts';
import { lightSchema } from './light/schema.ts';
import { lightGateSchema } from './lightGate/schema.ts';
import { loadSchema } from './load/schema.ts';
import { outsideSupplySchema } from './outsideSupply/schema.ts';
import { packSchema } from './pack/schema.ts';
import { pixelTapeSchema } from './pixelTape/schema.ts';
import { plainTapeSchema } from './plainTape/schema.ts';
import { receiverSchema } from './receiver/schema.ts';
import { scanDriverSchema } from './scanDriver/schema.ts';
import {
  chargeSenseSchema,
  knobSchema,
  lightSensorSchema,
  motionSensorSchema,
  soundSensorSchema,
} from './sensor/schema.ts';
import { signalSchema } from './signal/schema.ts';

/** Anything in a plan. */
export const itemSchema = z.discriminatedUnion('kind', [
  lightSchema,
  pixelTapeSchema,
  plainTapeSchema,
  guideSchema,
  boardSchema,
  buttonSchema,
  latchingSwitchSchema,
  tiltSwitchSchema,
  remoteSchema,
  lightSensorSchema,
  chargeSenseSchema,
  knobSchema,
  motionSensorSchema,
  soundSensorSchema,
  signalSchema,
  lightGateSchema,
  driverSchema,
  scanDriverSchema,
  boxSchema,
  receiverSchema,
  packSchema,
  outsideSupplySchema,
  converterSchema,
  leadSwitchSchema,
  changeoverSchema,
  chargerSchema,
  loadSchema,
]);
