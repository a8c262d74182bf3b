export type Rgb = readonly [red: number, green: number, blue: number];
