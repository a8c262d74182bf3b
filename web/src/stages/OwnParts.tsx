import { kindOf } from '@glimmer/core/items';
import { describeOwnPart, type OwnPart, readPartsCsv, writePartsCsv } from '@glimmer/core/parts';
import { type Design, plenty } from '@glimmer/core/plan';
import { castDraft } from 'immer';
import { ArrowDownToLine, ArrowUpFromLine, Trash2 } from 'lucide-react';
import { saveFile } from '../shelf/files.ts';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { FileButton } from '../widgets/FileButton.tsx';
import { Section } from '../widgets/Section.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { useWorkshop, workshop } from '../workshop/index.ts';
import { useSheet } from './useSheet.ts';

const MOST_BYTES = 1_000_000;

const kindWords: Readonly<Record<OwnPart['kind'], string>> = {
  led: 'light',
  'pixel-tape': 'pixel tape',
  guide: 'light guide',
  pack: 'pack',
  controller: 'controller',
  load: 'other load',
  receiver: 'receiver',
  converter: 'converter',
  charger: 'charger',
  protection: 'protection board',
  transistor: 'transistor',
};

/** A table with one part of each kind to begin from. */
const beginning = `kind,like,name,price,forward at 20 mA,density,die current,capacity,draw,pins
led,led-5mm-white,My white light,0.20,3.2 V,,,,,
pixel-tape,pixel-tape-60,My tape,7.50,,66/m,11 mA,,,
pack,pack-two-lithium-round,My pack,18,,,,2.4 Ah,,
load,load-motor-6v,My motor,4,,,,,,
receiver,receiver-radio-4-held,My receiver,5,,,,,,
converter,buck-5v-3a,My converter,3,,,,,,
charger,charger-lithium-1-0a5,My charger,4,,,,,,
protection,protection-one-3a,My protection board,1,,,,,,
transistor,transistor-fet-logic,My transistor,0.4,,,,,,
controller,controller-large-5v,My board,6,,,,,18 mA,D2 out in data; D3 out in data dimmed; A0 out in analog
`;

/** Puts parts into the plan; one of the same id is replaced. */
function putIn(parts: readonly OwnPart[]): void {
  editDesign((design) => {
    const before = design.ownParts ?? [];
    const all = [...before.filter((old) => !parts.some((each) => each.id === old.id)), ...parts];
    if (all.length > plenty.items) throw new Error(`A plan holds at most ${plenty.items} parts of your own`);
    design.ownParts = castDraft(all);
  });
}

async function bringIn(file: File): Promise<void> {
  if (file.size > MOST_BYTES)
    throw new Error(`${file.name} holds ${Math.round(file.size / 1e6)} MB; a table of parts holds at most 1 MB`);
  const { parts, problems } = readPartsCsv(await file.text());
  const first = problems[0];
  const where = first && `line ${first.line}: ${first.problem}`;
  if (parts.length === 0) throw new Error(`${file.name}, ${where ?? 'no part in it: give each a line'}`);
  putIn(parts);
  workshop.keepParts(parts);
  tell(
    where
      ? `Parts taken: ${parts.length}; lines left out: ${problems.length}, the first is ${where}`
      : `Parts of your own taken: ${parts.length}`,
    where ? { gravity: 'trouble' } : {},
  );
}

/** Where the plan uses a part, in the maker's own names. */
const listUses = (design: Design, partId: string): string[] => [
  ...design.items.flatMap((item) =>
    kindOf(item.kind)
      .parts(item)
      .some(({ part }) => part === partId)
      ? [item.name]
      : [],
  ),
];

function OwnPartRow({ part }: { readonly part: OwnPart }) {
  const { design } = useSheet();
  const uses = listUses(design, part.id);
  const said = Object.entries(describeOwnPart(part)).map(([heading, value]) => `${heading} ${value}`);
  return (
    <li className="flex items-start gap-3 border-b border-rule/60 py-1.5 last:border-b-0">
      <span className="flex-1">
        {part.name}
        <span className="ml-2 text-small text-faint">{kindWords[part.kind]}</span>
        <span className="figures block text-tiny text-faint">
          {said.length === 0 ? `as ${part.like}` : said.join(', ')}
        </span>
      </span>
      {uses.length > 0 ? (
        <span className="text-small text-faint">in use: {uses.join(', ')}</span>
      ) : (
        <Button
          look="quiet"
          aria-label={`Remove ${part.name}`}
          onClick={() =>
            editDesign((draft) => {
              draft.ownParts = (draft.ownParts ?? []).filter((each) => each.id !== part.id);
            })
          }
        >
          <Trash2 size={16} />
        </Button>
      )}
    </li>
  );
}

/** Parts that the workshop knows from other plans, for this one to take in. */
function WorkshopParts({ inPlan }: { readonly inPlan: readonly OwnPart[] }) {
  const others = useWorkshop(({ parts }) => parts).filter((part) => !inPlan.some((each) => each.id === part.id));
  if (others.length === 0) return null;
  return (
    <details className="stitch mt-2 pt-2">
      <summary className="text-faint">
        {others.length === 1 ? 'One more is known' : `${others.length} more are known`} from your other plans
      </summary>
      <ul>
        {others.map((part) => (
          <li key={part.id} className="flex items-center gap-3 py-1">
            <span className="flex-1">
              {part.name}
              <span className="ml-2 text-small text-faint">{kindWords[part.kind]}</span>
            </span>
            <Button look="quiet" aria-label={`Take ${part.name} into this plan`} onClick={() => putIn([part])}>
              Take in
            </Button>
            <Button
              look="quiet"
              aria-label={`Forget ${part.name}`}
              onClick={() => {
                workshop.forgetPart(part.id);
                tell(`${part.name} forgotten; plans that hold it keep it`, { undo: () => workshop.keepParts([part]) });
              }}
            >
              <Trash2 size={16} />
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** In from a table, and out into one. */
function Buttons({ parts }: { readonly parts: readonly OwnPart[] }) {
  const take = (file: File): void => {
    bringIn(file).catch((cause: unknown) =>
      tell(cause instanceof Error ? cause.message : String(cause), { gravity: 'trouble' }),
    );
  };
  return (
    <span className="flex gap-1">
      <FileButton look="quiet" label="Table of parts to bring in" accept=".csv,text/csv" onFile={take}>
        <ArrowUpFromLine size={16} />
        Bring in a table
      </FileButton>
      <Button
        look="quiet"
        onClick={() =>
          saveFile(
            parts.length === 0 ? 'parts-to-fill-in.csv' : 'my-parts.csv',
            parts.length === 0 ? beginning : writePartsCsv(parts),
            'text/csv',
          )
        }
      >
        <ArrowDownToLine size={16} />
        {parts.length === 0 ? 'A table to fill in' : 'Take them out'}
      </Button>
    </span>
  );
}

/** Lights, tapes, packs and controllers that the maker describes, in and out of a table; the lists of the stages offer them. */
export function OwnParts() {
  const parts = useSheet().design.ownParts ?? [];
  return (
    <Section title="Parts of your own" aside={<Buttons parts={parts} />}>
      {parts.length === 0 ? (
        <p className="text-faint">
          A light, tape, pack or controller whose figures you know better than the library: one line each in a table
          (CSV). What a line leaves empty is taken from the part it is like.
        </p>
      ) : (
        <ul>
          {parts.map((part) => (
            <OwnPartRow key={part.id} part={part} />
          ))}
        </ul>
      )}
      <WorkshopParts inPlan={parts} />
    </Section>
  );
}
