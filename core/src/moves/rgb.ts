/** Red, green and blue, 0…255 each. */
export type Rgb = readonly [red: number, green: number, blue: number];
