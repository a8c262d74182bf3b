/** A byte of chance for a light and a slot: a 32-bit mix, the same in every language that has 32-bit multiplication. */
export function chanceByte(seed: number, light: number, slot: number): number {
  let x = (seed ^ Math.imul(light, 0x9e3779b1) ^ Math.imul(slot, 0x85ebca77)) | 0;
  x = Math.imul(x ^ (x >>> 15), 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 12), 0x297a2d39);
  return (x ^ (x >>> 15)) & 255;
}
