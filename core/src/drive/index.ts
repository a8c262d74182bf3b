export { baseResistor, type DrivenLeds, driveLeds, type RailRange, spreadOverChannels } from './channels.ts';
export { bestFixed, designSensor, dividerCode, type SensorDesign } from './lightSensor.ts';
export { assignPins, type PinDemand, type PinGiven, type PinPlan } from './pins.ts';
export { type DataLine, frameTime, leastHighLevel, timeDataLine } from './pixelData.ts';
export {
  chooseResistor,
  type Feed,
  LEAST_HEAD_ROOM_V,
  type ResistorChoice,
  resistorPower,
  seriesResistor,
} from './resistor.ts';
export { colourBands, e12, e12Neighbours, nextE12 } from './standardValues.ts';
