import { kindOf, kinds, rowsOf, type Stage, stages } from '@glimmer/core/items';
import { quickSums } from '@glimmer/core/sums';
import { ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { helpPages } from '../help/pages.ts';
import { addressOf, glossary } from '../help/words.ts';
import { usePlan, useReckoned } from '../reckoning/index.ts';
import { api } from '../state/api.ts';
import { desk } from '../sums/deskStore.ts';
import { exampleTexts } from '../sums/exampleTexts.ts';
import { usePrinter } from '../units/index.ts';
import { wordsOfKind, wordsOfStage } from './otherWords.ts';
import type { Place } from './place.ts';
import { stageInfo } from './stageInfo.ts';

/** What there is in this plan, by name. */
function usePlanPlaces(): readonly Place[] {
  const printer = usePrinter();
  const { design } = usePlan();
  const { assessment, findings } = useReckoned();
  const place = (
    stage: Stage,
    what: string,
    item: { readonly id: string; readonly name: string },
    also = '',
  ): Place => ({
    key: `${what} ${item.id}`,
    name: item.name,
    what,
    also,
    to: { stage, pointId: item.id },
  });
  return [
    ...design.hollows.map((hollow) => place('piece', 'hollow', hollow)),
    ...design.items.map((item) =>
      place(kindOf(item.kind).stage, kindOf(item.kind).name.toLowerCase(), item, wordsOfKind[item.kind]),
    ),
    ...design.moods.list.map((mood) => place('moods', 'mood', mood)),
    ...(design.moods.sets ?? []).map((set) => place('moods', 'set of lights', set)),
    ...(design.moods.signs ?? []).map((sign) => place('moods', 'sign', sign)),
    ...assessment.runs.map((run) => place('wires', 'wire run', run)),
    ...findings.map(
      (finding): Place => ({
        key: `finding ${finding.id}`,
        name: printer.message(finding.what),
        what: 'finding',
        also: printer.message(finding.mend),
        to: { stage: finding.stage ?? 'piece', pointId: finding.aboutId, findingId: finding.id },
      }),
    ),
    ...design.items.flatMap((item) =>
      rowsOf(item).map(
        (row): Place => ({
          key: `field ${item.id} ${row.field}`,
          name: row.label,
          what: `field of ${item.name}`,
          also: row.hint ?? '',
          to: { stage: kindOf(item.kind).stage, pointId: item.id },
        }),
      ),
    ),
  ];
}

/** What there is in the app, whatever the plan holds. */
function useAppPlaces(): readonly Place[] {
  const printer = usePrinter();
  const { data: examples = [] } = useQuery({ queryKey: ['examples'], queryFn: api.listExamples, retry: false });
  return [
    ...stages.map(
      (stage): Place => ({
        key: stage,
        name: stageInfo[stage].name,
        what: 'stage',
        also: `${stageInfo[stage].question} ${wordsOfStage[stage]}`,
        to: { stage, pointId: null },
      }),
    ),
    ...stages.map(
      (stage): Place => ({
        key: `help ${stage}`,
        name: `Help: ${stageInfo[stage].name}`,
        what: 'help',
        also: helpPages[stage].steps.map((text) => printer.message(text)).join(' '),
        to: { page: `/help/${stage}` },
        explains: true,
      }),
    ),
    ...glossary.map(
      ([word, meaning]): Place => ({
        key: `word ${word}`,
        name: word,
        what: 'word, explained',
        also: meaning,
        to: { page: `/help/words#${addressOf(word)}` },
        explains: true,
      }),
    ),
    ...kinds.map(
      ({ kind, name, stage }): Place => ({
        key: `kind ${kind}`,
        name: `${name}: add one`,
        what: `on ${stageInfo[stage].name}`,
        also: wordsOfKind[kind] ?? '',
        to: { stage, pointId: null },
      }),
    ),
    ...quickSums.map(
      (sum): Place => ({
        key: `sum ${sum.name}`,
        name: sum.title,
        what: 'quick sum',
        also: `${sum.about} ${sum.name.replaceAll('-', ' ')} ${Object.values(sum.inputs)
          .map(({ label }) => label)
          .join(' ')}`,
        to: { page: '/sums' },
        before: () => desk.add(sum.name, exampleTexts(sum.name, printer)),
      }),
    ),
    ...examples.map(
      (example): Place => ({
        key: `example ${example.id}`,
        name: example.name,
        what: 'example, on the shelf',
        also: example.shows,
        to: { page: '/#examples' },
      }),
    ),
  ];
}

const MOST_SHOWN = 14;
/** What only explains stands behind what something can be done with. */
const EXPLAINS = 4;

/** How well a place answers: its name begins with it, has it, or only what stands behind has. Smaller is better; null is not at all. */
function rank({ name, what, also }: Place, words: readonly string[]): number | null {
  const [title, all] = [name.toLowerCase(), `${name} ${what} ${also}`.toLowerCase()];
  if (!words.every((word) => all.includes(word))) return null;
  if (words.every((word) => title.startsWith(word))) return 0;
  if (words.every((word) => title.includes(word))) return 1;
  return words.every((word) => `${title} ${what.toLowerCase()}`.includes(word)) ? 2 : 3;
}

function findPlaces(places: readonly Place[], query: string): readonly Place[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return places
    .flatMap((place) => {
      const at = rank(place, words);
      return at === null ? [] : [{ place, at: at + (place.explains ? EXPLAINS : 0) }];
    })
    .sort((a, b) => a.at - b.at)
    .slice(0, MOST_SHOWN)
    .map(({ place }) => place);
}

/** The places that answer a query, best first; an empty one offers the stages. It knows all sums, which are as large as the sheets. */
export function FoundPlaces({ query }: { readonly query: string }) {
  const [mine, ours] = [usePlanPlaces(), useAppPlaces()];
  // Among equals what is in the plan comes first.
  const found = findPlaces(query.trim() === '' ? ours : [...mine, ...ours], query);
  return (
    <ComboboxOptions static className="mt-2 max-h-80 overflow-y-auto">
      {found.map((place) => (
        <ComboboxOption
          key={place.key}
          value={place}
          className="flex justify-between gap-4 px-3 py-1.5 data-focus:bg-pressed"
        >
          <span className="truncate">{place.name}</span>
          <span className="shrink-0 truncate text-faint">{place.what}</span>
        </ComboboxOption>
      ))}
      {found.length === 0 && (
        <li className="px-3 py-2 text-faint">
          Nothing of that name in this plan, nor among the stages, sums and examples. Try another word for it.
        </li>
      )}
    </ComboboxOptions>
  );
}
