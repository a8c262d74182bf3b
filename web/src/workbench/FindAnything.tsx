import { kindOf, type Stage, stages } from '@glimmer/core/items';
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { usePlan, useReckoned } from '../reckoning/index.ts';
import { tool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { Dialog } from '../widgets/Dialog.tsx';
import { stageInfo } from './stageInfo.ts';

interface Place {
  readonly key: string;
  readonly name: string;
  readonly what: string;
  readonly stage: Stage;
  readonly pointId: string | null;
}

function usePlaces(): Place[] {
  const printer = usePrinter();
  const { design } = usePlan();
  const { assessment, findings } = useReckoned();
  const place = (stage: Stage, what: string, item: { readonly id: string; readonly name: string }): Place => ({
    key: `${what} ${item.id}`,
    name: item.name,
    what,
    stage,
    pointId: item.id,
  });
  return [
    ...stages.map((stage): Place => ({ key: stage, name: stageInfo[stage].name, what: 'stage', stage, pointId: null })),
    ...design.hollows.map((hollow) => place('piece', 'hollow', hollow)),
    ...design.items.map((item) => place(kindOf(item.kind).stage, kindOf(item.kind).name.toLowerCase(), item)),
    ...design.moods.list.map((mood) => place('moods', 'mood', mood)),
    ...(design.moods.sets ?? []).map((set) => place('moods', 'set of lights', set)),
    ...(design.moods.signs ?? []).map((sign) => place('moods', 'sign', sign)),
    ...assessment.runs.map((run) => place('wires', 'wire run', run)),
    ...findings.map(
      (finding): Place => ({
        key: `finding ${finding.id}`,
        name: printer.message(finding.what),
        what: 'finding',
        stage: finding.stage ?? 'piece',
        pointId: finding.aboutId,
      }),
    ),
  ];
}

/** One field that finds any thing of the plan by its name. */
export function FindAnything({ onClose }: { readonly onClose: () => void }) {
  const places = usePlaces();
  const navigate = useNavigate();
  const { id } = usePlan();
  const [query, setQuery] = useState('');
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = places
    .filter((place) => words.every((word) => `${place.name} ${place.what}`.toLowerCase().includes(word)))
    .slice(0, 12);
  return (
    <Dialog open onClose={onClose} title="Find anything">
      <Combobox<Place | null>
        value={null}
        onChange={(place) => {
          if (!place) return;
          onClose();
          tool.pointAt(place.pointId);
          void navigate(`/plan/${id}/${place.stage}`);
        }}
      >
        <ComboboxInput
          autoFocus
          aria-label="Find a light, a mood, a wire, a finding"
          placeholder="a light, a mood, a wire, a finding"
          onChange={(event) => setQuery(event.target.value)}
          // The list would take the first Escape for itself although it always stays open.
          onKeyDownCapture={(event) => {
            if (event.key === 'Escape') onClose();
          }}
          className="w-full rounded-sm border border-rule bg-paper px-3 py-2"
        />
        <ComboboxOptions static className="mt-2 max-h-80 overflow-y-auto">
          {found.map((place) => (
            <ComboboxOption
              key={place.key}
              value={place}
              className="flex justify-between gap-4 px-3 py-1.5 data-focus:bg-pressed"
            >
              <span className="truncate">{place.name}</span>
              <span className="shrink-0 text-faint">{place.what}</span>
            </ComboboxOption>
          ))}
          {found.length === 0 && <li className="px-3 py-2 text-faint">Nothing of that name in this plan.</li>}
        </ComboboxOptions>
      </Combobox>
    </Dialog>
  );
}
