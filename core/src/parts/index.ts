export { bearsV } from './bears.ts';
export { boardFacts } from './boardFacts.ts';
export { builtInLibrary, createLibrary, findPart, type Library } from './catalogue.ts';
export { chargers } from './chargers.ts';
export { type ChemistryRow, chemistries, chemistryNames } from './chemistries.ts';
export { controllers, saysAtBaud, talksAtBaud } from './controllers.ts';
export { converters, protections } from './converters.ts';
export { decidingFigures, groupOfPart } from './deciding.ts';
export { type Figure, type Origin, stateFigure, typical } from './figure.ts';
export { guides } from './guides.ts';
export { fuseRatingsA, plugs, sensors, switches, transistors, wires } from './hardware.ts';
export type {
  BoxPart,
  ChargerPart,
  Chemistry,
  ColourOrder,
  ControllerPart,
  ConverterPart,
  DieColour,
  DriverPart,
  GuidePart,
  LedBody,
  LedPart,
  LoadPart,
  OutsideSupplyPart,
  PackPart,
  Part,
  Pin,
  PinAbility,
  PixelForm,
  PixelTapePart,
  PlainTapePart,
  PlugPart,
  ProtectionPart,
  ReceiverPart,
  ScanDriverPart,
  SensorPart,
  SwitchPart,
  TransistorPart,
  WirePart,
} from './kinds.ts';
export { colourOrders, dieColours, ledBodies } from './kinds.ts';
export { dieOf, leds } from './leds.ts';
export { boxes, drivers, loads, scanDrivers } from './loads.ts';
export { type Outline, outlines } from './outlines.ts';
export { describeOwnPart, type OwnPartsRead, ownColumns, readPartsCsv, writePartsCsv } from './own.ts';
export type { OwnPart } from './ownKinds.ts';
export { withOwnParts } from './ownLibrary.ts';
export { packs } from './packs.ts';
export { MOST_PINS, pinName } from './pinList.ts';
export { receivers } from './receivers.ts';
export { readStockCsv, resistorsInStock, type StockItem, type StockRead, writeStockCsv } from './stock.ts';
export { helperTransistorId, sundryPrices } from './sundries.ts';
export { outsideSupplies } from './supplies.ts';
export { pixelShapes, pixelTapes, plainTapes } from './tapes.ts';
