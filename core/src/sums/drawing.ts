import type { RingMark } from '../lights/index.ts';
import type { Message, QuantityKind } from '../units/index.ts';

/** A line on a chart; a limit is drawn dashed, a second line fainter. */
export interface DrawnLine {
  readonly name: Message;
  /** A limit is dashed, a second one dotted. */
  readonly role: 'curve' | 'second' | 'limit';
  /** From left to right. */
  readonly points: readonly (readonly [x: number, y: number])[];
}

interface Axis {
  readonly label: string;
  readonly kind: QuantityKind;
}

/** A picture of the thing, as data; the interface draws it. */
export type Drawing =
  | {
      readonly kind: 'lines';
      readonly x: Axis;
      readonly y: Axis;
      readonly lines: readonly DrawnLine[];
      /** Points that are told of by name. */
      readonly marks: readonly { readonly name: Message; readonly at: readonly [x: number, y: number] }[];
    }
  | { readonly kind: 'ring'; readonly radiusMm: number; readonly marks: readonly RingMark[] }
  | {
      readonly kind: 'bars';
      readonly unit: QuantityKind;
      readonly bars: readonly {
        readonly length: number;
        readonly pieces: readonly number[];
        readonly offcut: number;
      }[];
    };

/** Samples of a function, evenly spaced. */
export const sample = (
  from: number,
  to: number,
  points: number,
  at: (x: number) => number,
): readonly (readonly [number, number])[] =>
  Array.from({ length: points }, (_, i): readonly [number, number] => {
    const x = from + ((to - from) * i) / (points - 1);
    return [x, at(x)];
  });
