/** The reading side of a workshop, apart from `index.ts` so that a page need not load the schemas. */

export { packWorkshop, unpackWorkshop, type Workshop } from './archive.ts';
export { readBelonging } from './readBelonging.ts';
