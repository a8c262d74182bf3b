import type { RailRange } from '../drive/index.ts';
import { type ConverterPart, type Figure, findPart, type Library, type PackPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { type Deviation, type LinkLimit, modelPack, openCircuitVoltageV, type PowerPath } from '../power/index.ts';
import { type WireRun, wireCarriesA, wireOhmPerMetre } from '../wires/index.ts';

/** The parts that make up the supply, as far as they are chosen. */
export interface SupplyParts {
  readonly pack: PackPart;
  readonly capacityMah: Figure;
  readonly converter: ConverterPart | null;
}

export function findSupply(design: Design, library: Library): SupplyParts | null {
  const pack = findPart(library, 'pack', design.power.pack);
  if (!pack) return null;
  return {
    pack,
    capacityMah: design.power.capacityMah ?? pack.capacityMah,
    converter: findPart(library, 'converter', design.power.converter) ?? null,
  };
}

/** Half-width of a converter's output, as a share. */
const CONVERTER_TOLERANCE = 0.03;

/** The rail over the life of the pack; without a pack a converter's 5 V is taken, so that resistors can be reckoned. */
export function rangeOfRail(supply: SupplyParts | null, ambientC: number): RailRange {
  if (!supply || supply.converter) {
    const railV = supply?.converter?.outputV ?? 5;
    return { leastV: railV * (1 - CONVERTER_TOLERANCE), nominalV: railV, mostV: railV * (1 + CONVERTER_TOLERANCE) };
  }
  const model = modelPack({ part: supply.pack, capacityMah: supply.capacityMah, ambientC });
  return { leastV: model.cutOffV, nominalV: openCircuitVoltageV(model, 0.5), mostV: openCircuitVoltageV(model, 1) };
}

/** Contact resistance of a plug, a switch or a fuse in its holder (typical of the kind). */
const CONTACT_OHM = 0.01;

const packLink = (id: LinkLimit['id'], name: string, limitA: number): LinkLimit => ({
  id,
  name,
  limitA,
  carries: 'pack',
  share: 1,
  offsetA: 0,
});

function listPackLinks(design: Design, supply: SupplyParts, library: Library): LinkLimit[] {
  const plug = findPart(library, 'plug', design.power.plug);
  const lever = findPart(library, 'switch', design.power.switch);
  const { fuseA } = design.power;
  return [
    packLink('cell', 'The pack', supply.pack.steadyLimitA),
    ...(plug ? [packLink('plug', 'The plug', plug.contactLimitA)] : []),
    ...(lever ? [packLink('switch', 'The switch', lever.limitA)] : []),
    ...(fuseA === null ? [] : [packLink('fuse', 'The fuse', fuseA)]),
  ];
}

/**
 * The path from cell to rail with every limit on it. `packLead` is the run of wire between pack and board, left out
 * on the first pass, when its gauge is not known yet.
 */
export function buildPath(options: {
  readonly design: Design;
  readonly supply: SupplyParts;
  readonly library: Library;
  readonly brownOutV: number;
  readonly packLead?: WireRun | undefined;
  readonly deviation?: Pick<Deviation, 'capacity' | 'resistance'>;
}): PowerPath {
  const { design, supply, library, brownOutV, packLead, deviation } = options;
  const links = listPackLinks(design, supply, library);
  const contacts = 2 * (links.length - 1) * CONTACT_OHM;
  const wireOhm = packLead ? (2 * packLead.lengthMm * wireOhmPerMetre(packLead.gaugeAwg)) / 1000 : 0;
  const wire = packLead ? [packLink('wire', 'The pack’s lead', wireCarriesA(packLead.gaugeAwg))] : [];
  const { converter } = supply;
  const converterLinks: LinkLimit[] = converter
    ? [
        packLink('converter input', 'The converter’s input', converter.inputLimitA),
        {
          id: 'converter output',
          name: 'The converter',
          limitA: converter.outputLimitA,
          carries: 'rail',
          share: 1,
          offsetA: 0,
        },
      ]
    : [];
  return {
    pack: modelPack({
      part: supply.pack,
      capacityMah: supply.capacityMah,
      ambientC: design.piece.ambientC,
      ...(deviation ? { deviation } : {}),
    }),
    leadOhm: contacts + wireOhm,
    converter,
    links: [...links, ...wire, ...converterLinks],
    brownOutV,
  };
}
