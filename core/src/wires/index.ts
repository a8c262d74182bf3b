export { contactsFor, foilOhm, roundOhm } from './conductors.ts';
export { gaugeDiameter, soldGauges, wireCarriesA, wireDrop, wireOhmPerMetre } from './gauge.ts';
