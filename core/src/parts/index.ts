export { builtInLibrary, createLibrary, findPart, type Library } from './catalogue.ts';
export { controllers } from './controllers.ts';
export { type Figure, type Origin, typical } from './figure.ts';
export { fuseRatingsA, plugs, switches, transistors } from './hardware.ts';
export type {
  Chemistry,
  ControllerPart,
  ConverterPart,
  LedPart,
  PackPart,
  Part,
  Pin,
  PinAbility,
  PixelTapePart,
  PlugPart,
  SwitchPart,
  TransistorPart,
} from './kinds.ts';
export { leds } from './leds.ts';
export { type Outline, outlines } from './outlines.ts';
export { type ChemistryRow, chemistries, converters, packs } from './packs.ts';
export { pixelTapes } from './tapes.ts';
