import type { Figure } from './figure.ts';

interface PartBase {
  readonly id: string;
  /** What it is, in plain words; never a make. */
  readonly name: string;
  /** A usual price for one (for one metre of a tape), in the maker's own money; a guess. */
  readonly price: number;
}

/** A die of a many-coloured light: the colours that moods mix. */
export const dieColours = ['red', 'green', 'blue', 'white'] as const;
/** A die of a many-coloured light. */
export type DieColour = (typeof dieColours)[number];

/** How a single light is made. */
export const ledBodies = [
  '3 mm',
  '5 mm',
  '8 mm',
  '10 mm',
  'pre-wired chip',
  'bare chip',
  'module',
  'filament',
  'chip on board',
  'power star',
] as const;
/** How a single light is made. */
export type LedBody = (typeof ledBodies)[number];

/** A single light-emitting diode with the two curve points that a data sheet or a meter gives. */
export interface LedPart extends PartBase {
  readonly kind: 'led';
  /** How it is made. */
  readonly body: LedBody;
  /** As #rrggbb. */
  readonly colour: string;
  /** Forward voltage at 1 mA and at 20 mA; their common spread from light to light. */
  readonly forwardAt1mAV: number;
  /** Volts at 20 mA. */
  readonly forwardAt20mAV: number;
  /** Either way, within a kind. */
  readonly forwardSpreadV: number;
  /** Of its own, behind the junction. */
  readonly seriesOhm: number;
  /** For good. */
  readonly ratedCurrentA: number;
  /** Largest diameter of the bare part (its flange or its potted chip). */
  readonly bareDiameterMm: number;
  /** What shrink over the soldered legs adds on each side; nothing on a pre-wired chip. */
  readonly sleeveWallMm: number;
  /** From tip to legs. */
  readonly lengthMm: number;
  /** Of one leg or lead. */
  readonly wireDiameterMm: number;
  /** On its axis, at the rated current; 0 for what is not seen. */
  readonly intensityMcd: number;
  /** Light that the eye does not see, or not as bright as it is. */
  readonly invisible?: 'infrared' | 'ultraviolet';
  /** Of its strongest light, in nanometres; only of what is not seen. */
  readonly wavelengthNm?: number;
  /** Of all its light, at the rated current; only of what is not seen. */
  readonly radiantW?: number;
  /** From its axis to where it gives half; only of what is not seen. */
  readonly halfAngleDeg?: number;
  /** The dice of a many-coloured light, in the order of its legs; one die without it. */
  readonly dice?: readonly DieColour[];
  /** The side on which its dice share a leg. */
  readonly common?: 'plus' | 'minus';
  /** From its inside to the board of a power star; typical of the kind without it. */
  readonly insideKPerW?: number | undefined;
  /** The resistor that it has inside; it wants none besides. */
  readonly insideOhm?: number;
  /** The supply that its resistor inside was chosen for. */
  readonly madeForV?: number;
}

/** The orders in which pixels take their colours. */
export const colourOrders = ['GRB', 'RGB', 'RBG', 'GBR', 'BRG', 'BGR'] as const;
/** The order in which pixels take their colours. */
export type ColourOrder = (typeof colourOrders)[number];

/** Tape of separately controlled pixels with three dice each. */
export interface PixelTapePart extends PartBase {
  readonly kind: 'pixel-tape';
  /** Pixels of a metre. */
  readonly perMetre: number;
  /** From one mark to the next. */
  readonly lightsPerJoint: number;
  /** Of the tape. */
  readonly widthMm: number;
  /** With its dice. */
  readonly heightMm: number;
  /** Of a dark pixel. */
  readonly restCurrentA: Figure;
  /** Of one die at full. */
  readonly dieCurrentA: Figure;
  /** Four have a white one. */
  readonly dice: 3 | 4;
  /** In which its pixels take the colours of a light, a white one last; green first, as most do, without it. */
  readonly order?: ColourOrder | undefined;
  /** Lights that each of its pixels lights as one, in series; one without it. */
  readonly dotsPerPixel?: number | undefined;
  /** What a pixel’s own chip runs on where it is not the tape’s supply: its data is read against this. */
  readonly chipV?: number | undefined;
  /** Of one bit on the wire. */
  readonly bitPeriodUs: number;
  /** Silence that ends a frame. */
  readonly latchUs: number;
  /** That it is made for. */
  readonly ratedVoltageV: number;
  /** Below it a pixel stops. */
  readonly leastVoltageV: number;
  /** Both copper rails together, for one metre of tape. */
  readonly railOhmPerMetre: number;
  /** Of one end of its rails. */
  readonly feedLimitA: number;
  /** A shape of so many pixels, which is not cut; without it, tape off a reel. */
  readonly form?: PixelForm;
}

/** What leads light from one place to another: a fibre off a reel, or a pipe that is cut from a rod. */
export interface GuidePart extends PartBase {
  readonly kind: 'guide';
  /** Across. */
  readonly diameterMm: number;
  /** How far to the side it takes light in: the sine of the half angle. */
  readonly numericalAperture: number;
  /** Lost on its way. */
  readonly lossDbPerMetre: number;
  /** It cracks or leaks when it is bent tighter. */
  readonly leastBendMm: number;
}

/** Pixels on a board of fixed shape. */
export interface PixelForm {
  readonly shape: 'ring' | 'panel' | 'stick' | 'single';
  /** In all. */
  readonly pixels: number;
  /** Of those in one row; all but of a panel. */
  readonly columns: number;
  /** Outer and inner diameter of a ring; both sides of any other. */
  readonly sizeMm: readonly [number, number];
}

/** What a pin can be used for. `dimmed` is hardware dimming; `analog` reads a voltage; `data` can send the pixel line. */
export type PinAbility = 'out' | 'in' | 'dimmed' | 'analog' | 'data';

/** One pin of a controller, by its number along the edge. A start-up pin moves or must be held while the board starts: no load belongs there. */
export interface Pin {
  /** As it is numbered or printed. */
  readonly name: string;
  /** At least one. */
  readonly can: readonly PinAbility[];
  /** What it does while the board starts; left out where it rests. */
  readonly startUp?: string;
}

/** A controller board, described by what it can do. */
export interface ControllerPart extends PartBase {
  readonly kind: 'controller';
  /** What its chip runs at where its supply suffices. */
  readonly logicV: number;
  /** Between its supply and its chip: what it drops out at, or that it lifts as well; null = the chip runs at the rail itself. */
  readonly regulator: { readonly dropOutV: number; readonly lifts: boolean } | null;
  /** What the clamp of a pin that is let go bears. */
  readonly injectionLimitA: number;
  /** At its supply pin. */
  readonly supplyLeastV: number;
  /** At its supply pin. */
  readonly supplyMostV: number;
  /** Below this supply it resets. */
  readonly brownOutV: number;
  /** Awake, with nothing at its pins. */
  readonly drawA: Figure;
  /** In or out of one pin. */
  readonly pinLimitA: number;
  /** Of all pins together. */
  readonly chipLimitA: number;
  /** Of a pin that is driven. */
  readonly pinOhm: number;
  /** For what changes at run time. */
  readonly memoryBytes: number;
  /** What calls and interrupts put on the stack at the deepest. */
  readonly stackBytes: number;
  /** For programs. */
  readonly programBytes: number;
  /** Of its chip. */
  readonly clockMhz: number;
  /** Cycles of an eight-bit controller that one of its own is worth in whole-number work: 1, or about 6 with 32 bits. */
  readonly worthCycles: number;
  /** How often its loop turns. */
  readonly loopTickMs: number;
  /** 0 to 2ⁿ − 1. */
  readonly converterBits: number;
  /** What its converter counts as its top; null = its own supply. */
  readonly converterReferenceV: number | null;
  /** One reading of its converter. */
  readonly converterReadingUs: number;
  /** What its board file rests between two bytes that it sends to pixels; nothing without it. */
  readonly byteGapUs?: number | undefined;
  /** How its board file scans a grid; nothing without it. */
  readonly scan?:
    | {
        readonly ticksPerS: number;
        /** Between two turns. */
        readonly darkTicks: number;
        /** The longest step that it waits for. */
        readonly shortTicks: number;
        /** Of the shortest step; 2 to 200 without it. */
        readonly unitTicks?: readonly [least: number, most: number] | undefined;
        readonly cyclesAnInterrupt: number;
        /** What rows take of its memory for each turn, and of its program; that of lines on three ports without it. */
        readonly rows?: { readonly turnBytes: number; readonly programBytes: number } | undefined;
        /** Pins that can't dim beside it. */
        readonly losesDimming: readonly string[];
      }
    | undefined;
  /** Speed of the serial line on which its board file says its mark and moods; a board file says nothing without it. */
  readonly serialBaud?: number | undefined;
  /** The pin that this line is on, where a plan may give it to something else: then it says nothing. */
  readonly saysOn?: string | undefined;
  /** Name of its board file, which builds for it as it stands; null = `template.c` is filled in. */
  readonly code: string | null;
  /** What its board file is built for; `avr` without it. */
  readonly make?: 'arm' | undefined;
  /** Length, width, height. */
  readonly sizeMm: readonly [number, number, number];
  /** In the order of the edge. */
  readonly pins: readonly Pin[];
}

/** What stands in `firmware/boards/BOARD/facts.json`: all of a controller that is not the same for every one. */
export type BoardFacts = Omit<ControllerPart, 'kind' | 'drawA'> & {
  /** Awake, with nothing at its pins. */
  readonly drawA: Pick<Figure, 'likely' | 'spread'>;
  /** Where it stands among the boards that are offered; the lowest first. */
  readonly rank: number;
};

/** The chemistry decides the discharge curve, the cautions and the charging. */
export type Chemistry =
  | 'lithium-ion'
  | 'lithium iron phosphate'
  | 'alkaline'
  | 'nickel-metal hydride'
  | 'lithium coin'
  | 'alkaline button'
  | 'lead-acid'
  /** Cells with a converter to 5 V inside: seen from outside, a steady 5 V that ends at once. */
  | 'power bank';

/** A pack as it is bought or made up: cells in series with their holder or tags. */
export interface PackPart extends PartBase {
  readonly kind: 'pack';
  readonly chemistry: Chemistry;
  readonly cellsInSeries: number;
  /** Of one cell at its rated current. */
  readonly capacityMah: Figure;
  /** The current at which the capacity is stated. */
  readonly ratedCurrentA: number;
  /** All cells and contacts together. */
  readonly resistanceOhm: Figure;
  /** For good. */
  readonly steadyLimitA: number;
  /** Of the whole pack. */
  readonly cutOffV: number;
  /** A circuit inside cuts it off. */
  readonly protected: boolean;
  /** Under load, of the whole pack: its circuit lets go below it; by its chemistry without it. */
  readonly tripV?: number;
  /** With holder or tags. */
  readonly massG: number;
  /** The maker’s own readings at rest: charge left, as a share, and voltage of the whole pack; by its chemistry without. */
  readonly restV?: readonly (readonly [charge: number, voltageV: number])[];
  /** The maker’s own readings of its resistance over the charge left; it grows as is typical without. */
  readonly resistanceOver?: readonly (readonly [charge: number, ohm: number])[];
  /** Of t = H·(C/(I·H))^k; its chemistry’s without. */
  readonly rateExponent?: number;
  /** Length, width, height. */
  readonly sizeMm: readonly [number, number, number];
  /** A power bank switches itself off when less than this is drawn for a while. */
  readonly switchesOffBelowA?: number;
}

/** A converter from the pack's voltage to a fixed one: up (boost), down (buck), or down by burning the rest (linear). */
export interface ConverterPart extends PartBase {
  readonly kind: 'converter';
  /** What it can do: lift, lower, or only lose. */
  readonly topology: 'boost' | 'buck' | 'linear';
  /** Held. */
  readonly outputV: number;
  /** For good. */
  readonly outputLimitA: number;
  /** Below it it stops. */
  readonly inputLeastV: number;
  /** Above it it is destroyed. */
  readonly inputMostV: number;
  /** Most that it takes in. */
  readonly inputLimitA: number;
  /** Taken in with nothing at the output. */
  readonly idleA: number;
  /** Input voltage that the efficiencies are stated at. */
  readonly statedInputV: number;
  /** Efficiency against output current as a share of its limit; a linear regulator's follows from its voltages. */
  readonly efficiency: readonly (readonly [share: number, efficiency: number])[];
  /** Length, width, height. */
  readonly sizeMm: readonly [number, number, number];
}

/** A transistor that switches a channel which a pin can't carry. */
export interface TransistorPart extends PartBase {
  readonly kind: 'transistor';
  /** Bipolar wants current, field-effect voltage. */
  readonly type: 'bipolar' | 'field-effect';
  /** Low: between the lights and minus. High: between plus and the lights, for a common minus. */
  readonly side: 'low' | 'high';
  /** For good, with little air. */
  readonly currentLimitA: number;
  /** Bipolar: volts lost when full on. */
  readonly onDropV: number;
  /** Field-effect: on-resistance at the stated gate voltage. */
  readonly onOhm: number;
  /** Base to emitter; of a field-effect transistor the gate voltage that its on-resistance is promised at. */
  readonly gateV: number;
  /** Field-effect: where it begins to conduct (typical: 0.55 of the stated gate voltage). */
  readonly thresholdV: number;
}

/** A switch in a lead, rated for direct current. */
export interface SwitchPart extends PartBase {
  readonly kind: 'switch';
  /** Direct current that it breaks. */
  readonly limitA: number;
  /** Closed. */
  readonly contactOhm: number;
  /** Momentary: closed only while it is held. */
  readonly momentary?: boolean;
  /** Leads one wire to either of two; left out, it only makes and breaks. */
  readonly throws?: 2;
  /** Worked by a magnet: fields at which it closes and opens again. */
  readonly magnetic?: { readonly pullInMt: number; readonly dropOutMt: number };
}

/** A receiver with the transmitter that belongs to it. */
export interface ReceiverPart extends PartBase {
  readonly kind: 'receiver';
  readonly transmitterPrice: number;
  /** One for each key. */
  readonly outputs: number;
  /** Closed while its key is held, or changed by each press. */
  readonly output: 'held' | 'latched';
  readonly carrier: 'radio' | 'infrared';
  /** Below it it hears less and less, by no law that can be relied on. */
  readonly leastV: number;
  readonly mostV: number;
  /** All day. */
  readonly standbyA: number;
  /** Of an infrared eye, each way from where it looks. */
  readonly halfAngleDeg?: number;
}

/** What charges a pack. */
export interface ChargerPart extends PartBase {
  readonly kind: 'charger';
  /** Of the cells that it is made for. */
  readonly chemistry: Chemistry;
  /** How many of them. */
  readonly cellsInSeries: number;
  /** Until the pack is nearly full. */
  readonly chargeA: number;
  /** It stops where the current has fallen to this share. */
  readonly endShare: number;
  /** Has a way past the pack for what runs meanwhile, which does not hide the end of the charge. */
  readonly sharesLoad: boolean;
}

/** What feeds a piece from outside. */
export interface OutsideSupplyPart extends PartBase {
  readonly kind: 'outside-supply';
  /** At no load. */
  readonly volts: number;
  /** Half-width of its voltage, as a share. */
  readonly tolerance: number;
  /** For good. */
  readonly limitA: number;
  /** Of supply and cable. */
  readonly ohm: number;
  /** Its voltage is set by hand. */
  readonly adjustable?: boolean;
  /** It switches itself off below this. */
  readonly switchesOffBelowA?: number;
}

/** What draws and is no light. */
export interface LoadPart extends PartBase {
  readonly kind: 'load';
  readonly what: 'sound' | 'motor' | 'servo' | 'receiver' | 'any';
  /** Below it it stops. */
  readonly leastV: number;
  /** Above it it is destroyed. */
  readonly mostV: number;
  /** Switched on and idle. */
  readonly restA: Figure;
  /** In the mean while it works. */
  readonly usualA: Figure;
  /** At its height while it works. */
  readonly mostA: Figure;
  /** In the first moment. */
  readonly startA: Figure;
  /** It has an input of its own that starts it, by this level, or tells it by pulses where to go; left out, only its supply starts it. */
  readonly input?: 'low' | 'high' | 'pulses';
}

/** A constant-current driver for lights. */
export interface DriverPart extends PartBase {
  readonly kind: 'driver';
  /** That it holds. */
  readonly setA: number;
  /** For itself, lights apart. */
  readonly inputLeastV: number;
  /** Above it it is destroyed. */
  readonly inputMostV: number;
  /** Least difference between its input and the drop of its lights. */
  readonly dropOutV: number;
  /** Drawn by itself. */
  readonly ownA: number;
  /** Level or duty at its dimming input sets its light; null = it has none. */
  readonly dims: 'high is lit' | null;
}

/** What scans a grid of single lights by itself, and is told the light of each over three wires. */
export interface ScanDriverPart extends PartBase {
  readonly kind: 'scan-driver';
  /** Lines that it has for rows, and for columns. */
  readonly rows: number;
  readonly columns: number;
  /** That each of its columns takes at most, and the most that it can be set to. */
  readonly setA: number;
  readonly mostA: number;
  /** Least left over for a column to hold its current. */
  readonly dropOutV: number;
  /** In the switch of a row. */
  readonly rowOhm: number;
  readonly supplyLeastV: number;
  readonly supplyMostV: number;
  /** Drawn by itself. */
  readonly ownA: number;
  /** Whole pictures. */
  readonly picturesPerS: number;
  /** A column at rest is held so far below its supply. */
  readonly idleBelowV: number;
}

/** A ready-made box that switches what hangs on its outputs, worked by a remote of its own. */
export interface BoxPart extends PartBase {
  readonly kind: 'box';
  /** How many. */
  readonly outputs: number;
  /** Of each. */
  readonly outputLimitA: number;
  /** Of an output that is on. */
  readonly onOhm: number;
  /** Below it it stops. */
  readonly leastV: number;
  /** Above it it is destroyed. */
  readonly mostV: number;
  /** Drawn by itself. */
  readonly ownA: number;
}

/** A plug pair by what one contact carries. */
export interface PlugPart extends PartBase {
  readonly kind: 'plug';
  /** Of one contact. */
  readonly contactLimitA: number;
  /** Contacts side by side. */
  readonly ways: number;
}

/** Plain tape: all of one colour lit at once, cut every few lights; 12 or 24 V. */
export interface PlainTapePart extends PartBase {
  readonly kind: 'plain-tape';
  /** That it is made for. */
  readonly voltageV: number;
  /** Lights of a metre. */
  readonly perMetre: number;
  /** From one mark to the next. */
  readonly lightsPerJoint: number;
  /** Dice that are switched apart: 1 white, 3 colours, 4 colours and white. */
  readonly colours: 1 | 3 | 4;
  /** With every colour at full, at its rated voltage. */
  readonly powerPerMetreW: number;
  /** Of the tape. */
  readonly widthMm: number;
  /** With its dice. */
  readonly heightMm: number;
  /** Both copper rails together, for one metre of tape. */
  readonly railOhmPerMetre: number;
  /** Dice of one colour in series between two cut marks. */
  readonly diceInSeries: number;
  /** As #rrggbb. */
  readonly colour: string;
}

/** A cell's protection board: what it trips at. */
export interface ProtectionPart extends PartBase {
  readonly kind: 'protection';
  readonly cellsInSeries: number;
  /** At which it lets go, once that has flowed so long. */
  readonly tripA: number;
  readonly tripDelayS?: number | undefined;
  /** Taken for a short circuit: it lets go in the short time. */
  readonly shortTripA?: number | undefined;
  readonly shortDelayS?: number | undefined;
  /** When it gives again: once nothing asks for current any more, or once a charger was joined. */
  readonly comesBack?: 'load off' | 'charger' | undefined;
  /** Of the whole pack. */
  readonly cutOffV: number;
  /** In the lead. */
  readonly ohm: number;
  /** Drawn all day. */
  readonly drainA: number;
}

/** A sensor or control that is read. */
export interface SensorPart extends PartBase {
  readonly kind: 'sensor';
  readonly senses: 'light' | 'magnet' | 'tilt' | 'press' | 'remote';
  /** Photoresistor: at 10 lux, and how steeply it falls; phototransistor: current per lux. */
  readonly ohmAt10Lux?: number;
  /** How its resistance falls with light; left out where it is no photoresistor. */
  readonly gamma?: number;
  /** Of a phototransistor. */
  readonly ampsPerLux?: number;
  /** Of a contact. */
  readonly contactLimitA?: number;
  /** Of a receiver, all day. */
  readonly standbyA?: number;
}

/** A wire by its gauge, or by what else tells its resistance. */
export interface WirePart extends PartBase {
  readonly kind: 'wire';
  /** Null for what goes by no gauge. */
  readonly gaugeAwg: number | null;
  /** Of one core at 20 °C. */
  readonly ohmPerMetre: number;
  /** With its insulation. */
  readonly outsideMm: number;
  readonly strands: 'stranded' | 'solid' | 'enamelled' | 'foil' | 'thread';
}

/** Anything of the catalogue; `kind` tells the families apart. */
export type Part =
  | GuidePart
  | OutsideSupplyPart
  | LoadPart
  | DriverPart
  | BoxPart
  | ChargerPart
  | ReceiverPart
  | PlainTapePart
  | ProtectionPart
  | SensorPart
  | WirePart
  | LedPart
  | PixelTapePart
  | ControllerPart
  | PackPart
  | ConverterPart
  | TransistorPart
  | SwitchPart
  | ScanDriverPart
  | PlugPart;
