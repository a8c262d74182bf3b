import type { Stage } from '@glimmer/core/items';
import type { ReactNode } from 'react';

const ink = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.5 } as const;
const faint = { fill: 'none', stroke: 'var(--faint)', strokeWidth: 1 } as const;
const lit = { fill: 'var(--verdigris)', stroke: 'none' } as const;

const Text = ({ x, y, children }: { readonly x: number; readonly y: number; readonly children: ReactNode }) => (
  <text x={x} y={y} fontSize="11" textAnchor="middle" fill="var(--faint)">
    {children}
  </text>
);

const dots = (count: number, from: number, step: number): number[] =>
  Array.from({ length: count }, (_, i) => from + i * step);

/** One drawing a stage: what its page tells of. */
const drawings: Readonly<Record<Stage, ReactNode>> = {
  piece: (
    <>
      <rect x="150" y="20" width="100" height="70" rx="6" {...ink} />
      <path d="M185 20 V62 H215 V20" {...ink} />
      <circle cx="200" cy="44" r="11" {...lit} fillOpacity="0.35" />
      <path d="M189 44 H211 M185 10 V16 M215 10 V16 M185 13 H215" {...faint} />
      <Text x={200} y={106}>
        a light, its room, its bore
      </Text>
    </>
  ),
  lights: (
    <>
      <path d="M30 50 H370" stroke="var(--rule)" strokeWidth="16" />
      {dots(12, 42, 25).map((x) => (
        <rect key={x} x={x - 4} y="46" width="8" height="8" {...lit} />
      ))}
      <path d="M330 36 V64" {...ink} strokeDasharray="3 3" />
      <path d="M330 76 H370 M330 72 V80 M370 72 V80" {...faint} />
      <Text x={350} y={94}>
        left over
      </Text>
      <Text x={182} y={94}>
        lights, from where the data comes in
      </Text>
    </>
  ),
  moods: (
    <>
      <path
        d="M30 80 C60 80 60 25 90 25 S120 80 150 80 S180 25 210 25 S240 80 270 80 S300 25 330 25 S360 80 370 80"
        {...ink}
      />
      <path d="M30 52 H370" {...faint} strokeDasharray="4 3" />
      <Text x={200} y={104}>
        height and mean of a move
      </Text>
    </>
  ),
  drive: (
    <>
      <rect x="40" y="30" width="70" height="46" {...ink} />
      <path d="M110 53 H160 l6 -8 l8 16 l8 -16 l8 16 l8 -16 l6 8 H250" {...ink} />
      <circle cx="266" cy="53" r="14" {...lit} />
      <path d="M280 53 H340 V80" {...ink} />
      <Text x={75} y={96}>
        pin
      </Text>
      <Text x={182} y={36}>
        resistor
      </Text>
      <Text x={266} y={96}>
        light
      </Text>
      <Text x={340} y={96}>
        minus
      </Text>
    </>
  ),
  power: (
    <>
      <path d="M40 50 H360" {...ink} strokeWidth="3" />
      {(
        [
          [60, 26, 0.3],
          [140, 20, 0.4],
          [220, 12, 0.9],
          [300, 22, 0.35],
        ] as const
      ).map(([x, r, fill]) => (
        <g key={x}>
          <rect
            x={x - 26}
            y={50 - r}
            width="52"
            height={2 * r}
            rx="8"
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <rect x={x - 25} y={50 - r + 1} width={50 * fill} height={2 * r - 2} rx="7" {...lit} fillOpacity="0.5" />
        </g>
      ))}
      <Text x={220} y={96}>
        the weakest link
      </Text>
    </>
  ),
  wires: (
    <>
      <path d="M70 42 H330" stroke="#b3402e" strokeWidth="3" />
      <path d="M70 58 H330" stroke="var(--ink)" strokeWidth="3" />
      <rect x="40" y="32" width="30" height="36" {...ink} />
      <rect x="330" y="32" width="30" height="36" {...ink} />
      <Text x={200} y={32}>
        out
      </Text>
      <Text x={200} y={78}>
        back
      </Text>
    </>
  ),
  bench: (
    <>
      <path d="M60 60 H340 M60 52 V68 M340 52 V68" {...ink} />
      <rect x="150" y="54" width="100" height="12" {...lit} fillOpacity="0.4" />
      <path d="M214 30 V60 l-5 -9 h10 z" fill="var(--ink)" stroke="var(--ink)" />
      <Text x={200} y={90}>
        what the meter should read, and what it reads
      </Text>
    </>
  ),
  logbook: (
    <>
      <rect x="110" y="28" width="200" height="16" {...faint} />
      <rect x="110" y="56" width="186" height="16" {...lit} fillOpacity="0.6" />
      <Text x={70} y={41}>
        reckoned
      </Text>
      <Text x={70} y={69}>
        ran
      </Text>
    </>
  ),
};

/** The drawing of a stage. */
export const HelpPicture = ({ stage }: { readonly stage: Stage }) => (
  <svg viewBox="0 0 400 112" className="my-2 w-full max-w-xl" aria-hidden="true">
    {drawings[stage]}
  </svg>
);
