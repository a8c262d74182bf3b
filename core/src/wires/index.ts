export { contactsFor, foilOhm, rolledWidth, roundOhm, shrinkFits, slackAtTravelMm } from './conductors.ts';
export { gaugeDiameter, insulatedDiameterMm, soldGauges, wireCarriesA, wireDrop, wireOhmPerMetre } from './gauge.ts';
