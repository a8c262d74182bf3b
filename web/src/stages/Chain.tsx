import type { LoadedLink } from '@glimmer/core/power';
import { amps, type Message } from '@glimmer/core/units';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { useSize } from '../widgets/useSize.ts';

const LINK_W = 62;
const ROW_H = 106;

const loadWords = (link: LoadedLink, isWeakest: boolean): Message =>
  Number.isFinite(link.loadA) ? amps(link.loadA) : isWeakest ? 'collapses' : '–';

const shortNames: Readonly<Record<Exclude<LoadedLink['id'], 'wire'>, string>> = {
  cell: 'pack',
  plug: 'plug',
  switch: 'switch',
  fuse: 'fuse',
  'converter input': 'converter in',
  'converter output': 'converter',
  tape: 'tape rails',
};

/** As much of a name as goes under its link. */
const MOST_LETTERS = 11;

/** A wire by what it leads to. @example "Lead of Converter": "to Converter" */
function sayWire(name: string): string {
  const to = /^(?:Lead|The feed) of (.*)$/.exec(name)?.[1] ?? name.replace(/^.* to /, '');
  // Of "Port wand, switch" the end tells it from its neighbours.
  const said = to.length > MOST_LETTERS ? (to.split(', ').at(-1) ?? to) : to;
  return said.length > MOST_LETTERS ? `to ${said.slice(0, MOST_LETTERS - 1)}…` : `to ${said}`;
}

/** As thick as what it can carry, on a scale that keeps a fuse and a slide switch both readable. */
const thicknessOf = (link: LoadedLink): number => Math.min(34, 9 + 9 * Math.sqrt(link.limitA));

interface LinkProps {
  readonly link: LoadedLink;
  /** Its place in its row, and which row that is. */
  readonly i: number;
  readonly row: number;
  readonly isWeakest: boolean;
}

/** One link: its body as thick as its limit, its filling as long as its load. */
function Link({ link, i, row, isWeakest }: LinkProps) {
  const printer = usePrinter();
  const thickness = thicknessOf(link);
  const over = link.fill > 1 + 1e-9;
  const fill = Math.min(1, Number.isFinite(link.fill) ? link.fill : 1);
  const [x, y, w] = [i * LINK_W + 5, 30 - thickness / 2, LINK_W - 10];
  return (
    <g>
      {(i > 0 || row > 0) && <path d={`M${x - 9} 30 h9`} stroke="var(--ink)" strokeWidth="3" />}
      <rect x={x} y={y} width={w} height={thickness} rx={thickness / 2.2} fill="var(--paper)" stroke="none" />
      <clipPath id={`link-${row}-${i}`}>
        <rect x={x} y={y} width={w} height={thickness} rx={thickness / 2.2} />
      </clipPath>
      <rect
        x={x}
        y={y}
        width={w * fill}
        height={thickness}
        clipPath={`url(#link-${row}-${i})`}
        fill={over ? 'var(--brick-ink)' : 'var(--verdigris)'}
        fillOpacity={over ? 0.85 : 0.55}
      />
      <rect
        x={x}
        y={y}
        width={w}
        height={thickness}
        rx={thickness / 2.2}
        fill="none"
        stroke={isWeakest ? 'var(--brass)' : 'var(--ink)'}
        strokeWidth={isWeakest ? 2.6 : 1.2}
      />
      <text
        x={x + w / 2}
        y={64}
        textAnchor="middle"
        fontSize="10.5"
        fill="var(--ink)"
        fontWeight={isWeakest ? 700 : 400}
      >
        {link.id === 'wire' ? sayWire(link.name) : shortNames[link.id]}
        <title>{link.name}</title>
      </text>
      <text
        x={x + w / 2}
        y={79}
        textAnchor="middle"
        fontSize="10.5"
        fill={over ? 'var(--brick-ink)' : 'var(--ink)'}
        className="figures"
      >
        <Said>{loadWords(link, isWeakest)}</Said>
      </text>
      <text x={x + w / 2} y={93} textAnchor="middle" fontSize="10.5" fill="var(--faint)" className="figures">
        of {printer.quantity('currentA', link.limitA)}
      </text>
    </g>
  );
}

/** So many links stand in a row; more go on below. */
const MOST_IN_ROW = 12;
/** Before it is known how wide the sheet is. */
const USUAL_IN_ROW = 9;
/** On a narrow sheet fewer: below this part of their size the figures can’t be read. */
const LEAST_SCALE = 0.88;

const mostInRow = (widthPx: number | undefined): number =>
  widthPx === undefined
    ? USUAL_IN_ROW
    : Math.max(3, Math.min(MOST_IN_ROW, Math.floor(widthPx / (LINK_W * LEAST_SCALE))));

/** Figures of a link are no larger than those of the text round it. */
const MOST_SCALE = 1.3;

/** The chain from cell to light: each link as thick as what it carries at most, filled by what it carries at peak. */
export function Chain({
  links,
  weakestName,
}: {
  /** From the cell outward. */
  readonly links: readonly LoadedLink[];
  /** Undefined while there is none. */
  readonly weakestName: string | undefined;
}) {
  const [box, size] = useSize<HTMLDivElement>();
  const rows = Math.max(1, Math.ceil(links.length / mostInRow(size?.width)));
  const inRow = Math.ceil(links.length / rows);
  const width = inRow * LINK_W;
  return (
    <div ref={box}>
      <svg
        viewBox={`0 0 ${width} ${rows * ROW_H}`}
        className="w-full"
        // A chain of a few links is not blown up to the width of the sheet.
        style={{ maxWidth: `${width * MOST_SCALE}px` }}
        role="img"
        aria-label={`Chain of ${links.length} links; weakest: ${weakestName ?? 'none'}`}
      >
        {links.map((link, i) => {
          const row = Math.floor(i / inRow);
          return (
            <g key={`${link.id} ${link.node} ${link.name}`} transform={`translate(0 ${row * ROW_H})`}>
              <Link link={link} i={i % inRow} row={row} isWeakest={link.name === weakestName} />
            </g>
          );
        })}
      </svg>
    </div>
  );
}
