export { contactsFor, foilOhm, roundOhm } from './conductors.ts';
export {
  dropShare,
  gaugeDiameter,
  soldGauges,
  thinnestGauge,
  wireCarriesA,
  wireDrop,
  wireOhmPerMetre,
} from './gauge.ts';
