export { contactsFor, foilOhm, roundOhm } from './conductors.ts';
export {
  dropShare,
  gaugeDiameter,
  soldGauges,
  thinnestGauge,
  warmCopper,
  wireCarriesA,
  wireDrop,
  wireOhmPerMetre,
} from './gauge.ts';
