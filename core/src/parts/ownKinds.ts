import type {
  ChargerPart,
  ControllerPart,
  ConverterPart,
  GuidePart,
  LedPart,
  LoadPart,
  PackPart,
  PixelTapePart,
  ProtectionPart,
  ReceiverPart,
  TransistorPart,
} from './kinds.ts';

/** Kinds of parts that a maker can describe. */
export type Describable =
  | LedPart
  | PixelTapePart
  | PackPart
  | ControllerPart
  | GuidePart
  | LoadPart
  | ReceiverPart
  | ConverterPart
  | ChargerPart
  | ProtectionPart
  | TransistorPart;

/** The name of such a kind, as tables write it. */
export type OwnKind = Describable['kind'];

/**
 * A part that the maker describes, of one of the kinds whose figures differ most from what is typical; `like` is the
 * part of the library that what the maker did not say was taken from.
 */
export type OwnPart = Describable & { readonly like: string };
