import { explainCeiling, explainFigure } from '@glimmer/core/explain';
import { converters, fuseRatingsA, packs, plugs, switches } from '@glimmer/core/parts';
import { bands, type Design } from '@glimmer/core/plan';
import { chooseFuse, printCeiling } from '@glimmer/core/power';
import { printQuantity } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { SAMPLED_NIGHTS, useNight } from '../worker/useNight.ts';
import { Chain } from './Chain.tsx';
import { NightChart } from './NightChart.tsx';
import { withOwn } from './OwnParts.tsx';
import { useSheet } from './useSheet.ts';

const amps = (value: number): string => printQuantity('currentA', value);
const optional = (parts: readonly { readonly id: string; readonly name: string }[], none: string) => [
  { value: 'none', label: none },
  ...parts.map((part) => ({ value: part.id, label: part.name })),
];
const orNull = (value: string): string | null => (value === 'none' ? null : value);

function Parts() {
  const { design, assessment } = useSheet();
  const { power } = design;
  const { supply } = assessment;
  const fuse =
    supply && Number.isFinite(supply.atPeak.packA)
      ? chooseFuse(
          supply.atPeak.packA,
          Math.min(
            ...supply.links
              .filter(
                (link) => link.carries === 'pack' && (link.id === 'wire' || link.id === 'plug' || link.id === 'switch'),
              )
              .map((link) => link.limitA),
            99,
          ),
        )
      : null;
  const set = (recipe: (draft: Draft<Design['power']>) => void): void => editDesign((draft) => recipe(draft.power));
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2">
      <Choice
        label="Pack"
        value={power.pack ?? 'none'}
        options={optional(withOwn(design, 'pack', packs), 'none yet')}
        onChoose={(value) =>
          set((draft) => {
            draft.pack = orNull(value);
            draft.capacityMah = null;
          })
        }
      />
      <Choice
        label="Converter"
        value={power.converter ?? 'none'}
        options={optional(converters, 'none: straight from the pack')}
        onChoose={(value) =>
          set((draft) => {
            draft.converter = orNull(value);
          })
        }
      />
      <Choice
        label="Switch"
        value={power.switch ?? 'none'}
        options={optional(switches, 'none')}
        onChoose={(value) =>
          set((draft) => {
            draft.switch = orNull(value);
          })
        }
      />
      <Choice
        label="Plug of the pack"
        value={power.plug ?? 'none'}
        options={optional(plugs, 'none: soldered')}
        onChoose={(value) =>
          set((draft) => {
            draft.plug = orNull(value);
          })
        }
      />
      <Choice
        label="Fuse, near the pack"
        value={power.fuseA === null ? 'none' : String(power.fuseA)}
        options={[
          { value: 'none', label: 'none' },
          ...[...new Set([...fuseRatingsA, ...(power.fuseA === null ? [] : [power.fuseA])])]
            .sort((a, b) => a - b)
            .map((rating) => ({ value: String(rating), label: amps(rating) })),
        ]}
        hint={fuse ? `suits: ${amps(fuse.leastA)} to ${amps(fuse.mostA)}` : undefined}
        onChoose={(value) =>
          set((draft) => {
            draft.fuseA = value === 'none' ? null : Number(value);
          })
        }
      />
      <QuantityField
        label="Capacity"
        kind="capacityMah"
        value={supply?.parts.capacityMah.likely ?? null}
        band={bands.capacityMah}
        overruled={power.capacityMah !== null}
        placeholder="needs a pack"
        hint={
          supply
            ? `${supply.parts.capacityMah.origin}, ± ${printQuantity('capacityMah', supply.parts.capacityMah.spread)}`
            : undefined
        }
        onCommit={(value) =>
          set((draft) => {
            draft.capacityMah = { likely: value, spread: value * 0.05, origin: 'measured' };
          })
        }
        onClear={() =>
          set((draft) => {
            draft.capacityMah = null;
          })
        }
      />
      <Choice
        label="Kept in"
        value={power.housing}
        options={(['none', 'soft pouch', 'hard case'] as const).map((value) => ({
          value,
          label: value === 'none' ? 'nothing: bare' : value,
        }))}
        onChoose={(value) =>
          set((draft) => {
            draft.housing = value;
          })
        }
      />
      <Choice
        label="Charged"
        value={power.charging}
        options={(['taken out', 'in place, switched off', 'in place, while it runs'] as const).map((value) => ({
          value,
          label: value,
        }))}
        onChoose={(value) =>
          set((draft) => {
            draft.charging = value;
          })
        }
      />
      <Tick
        label="Sits next to the body"
        checked={power.nextToBody}
        onChange={(value) =>
          set((draft) => {
            draft.nextToBody = value;
          })
        }
      />
      <Tick
        label="Lid needs a screwdriver"
        checked={power.lockedLid}
        onChange={(value) =>
          set((draft) => {
            draft.lockedLid = value;
          })
        }
      />
    </div>
  );
}

function Night() {
  const { design, assessment } = useSheet();
  const { curves, sampling, sample, cancel } = useNight(design);
  const { supply } = assessment;
  if (!supply?.runsFor) return <p className="text-faint">The night needs a pack and a mood.</p>;
  const at = (share: number): number =>
    sampling.kind === 'done' ? (sampling.hours[Math.floor(share * (sampling.hours.length - 1))] ?? 0) : 0;
  return (
    <>
      {curves ? (
        <NightChart curves={curves} design={design} cutOffV={supply.path.pack.cutOffV} />
      ) : (
        <p className="text-faint">Playing the evening …</p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {sampling.kind === 'running' ? (
          <>
            <progress
              value={sampling.done}
              max={sampling.of}
              aria-label="Sampled nights"
              className="h-2 w-48 accent-verdigris"
            />
            <span className="figures">
              {sampling.done} of {sampling.of}
            </span>
            <Button onClick={cancel}>Cancel</Button>
          </>
        ) : (
          <Button onClick={sample}>Try {SAMPLED_NIGHTS} nights</Button>
        )}
        {sampling.kind === 'done' && (
          <span data-sampled>
            Nineteen nights in twenty last{' '}
            <span className="figures font-semibold">{printQuantity('timeH', at(0.05))}</span>, half of them{' '}
            <span className="figures font-semibold">{printQuantity('timeH', at(0.5))}</span>;{' '}
            <span className="figures">
              {Math.round(
                (sampling.hours.filter((hours) => hours >= design.piece.hoursWanted).length / sampling.hours.length) *
                  100,
              )}{' '}
              %
            </span>{' '}
            last the {printQuantity('timeH', design.piece.hoursWanted)} wanted.
          </span>
        )}
      </div>
    </>
  );
}

/** Stage 5. */
export default function PowerSheet() {
  const { design, assessment } = useSheet();
  const { supply } = assessment;
  return (
    <>
      {!supply && (
        <BeginHere>
          Begin with a pack. Pixels on a lithium cell want a boost converter to keep their colour; three AA cells can
          feed a few single lights straight.
        </BeginHere>
      )}
      {supply && (
        <Section
          title="The chain, at the height of the evening"
          aside={<span className="text-[13px] text-faint">with a tenth of the charge left</span>}
        >
          <Chain links={supply.links} weakestName={supply.weakest?.name} />
        </Section>
      )}
      <Section title="Parts of the supply">
        <Parts />
      </Section>
      {supply && (
        <>
          <Section title="The night">
            <Night />
          </Section>
          <Section title="Brightness ceilings">
            {supply.ceilings.length === 0 && <p className="text-faint">A ceiling needs a mood.</p>}
            {supply.ceilings.map((ceiling) => (
              <FigureLine
                key={ceiling.moodId}
                label={`${ceiling.name}, set to ${printQuantity('fraction', ceiling.setTo)}`}
                value={
                  <span className={ceiling.setTo > ceiling.brightness ? 'font-bold text-brick-ink' : ''}>
                    {printCeiling(ceiling.brightness)}
                    {ceiling.fresh > ceiling.brightness + 0.005 ? ` (full pack ${printCeiling(ceiling.fresh)})` : ''}
                  </span>
                }
                onOpen={() => openSum(explainCeiling(assessment, ceiling))}
              />
            ))}
          </Section>
        </>
      )}
      {assessment.consumers.length > 0 && (
        <Section
          title="Budget on the rail"
          aside={
            <Button look="quiet" onClick={() => openSum(explainFigure(assessment, 'peak'))}>
              Open the sum
            </Button>
          }
        >
          <table className="figures w-full text-[13.5px]">
            <thead>
              <tr className="border-b border-rule text-left text-faint">
                <th className="font-sans font-normal">consumer</th>
                <th className="text-right font-sans font-normal">dark</th>
                {design.moods.list.map((mood) => (
                  <th key={mood.id} className="text-right font-sans font-normal">
                    {mood.name}
                  </th>
                ))}
                <th className="text-right font-sans font-normal">all at full</th>
              </tr>
            </thead>
            <tbody>
              {assessment.consumers.map((consumer) => (
                <tr key={consumer.id} className="border-b border-rule/60">
                  <td className="font-sans">{consumer.name}</td>
                  <td className="text-right">{amps(consumer.restA)}</td>
                  {assessment.moods.map((mood) => (
                    <td key={mood.moodId} className="text-right">
                      {amps(mood.groups.find((group) => group.groupId === consumer.id)?.meanA ?? consumer.restA)}
                    </td>
                  ))}
                  <td className="text-right">{amps(consumer.restA + consumer.fullA)}</td>
                </tr>
              ))}
              <tr className="font-semibold">
                <td className="font-sans">together</td>
                <td className="text-right">{amps(assessment.consumers.reduce((sum, each) => sum + each.restA, 0))}</td>
                {assessment.moods.map((mood) => (
                  <td key={mood.moodId} className="text-right">
                    {amps(mood.meanA)}
                  </td>
                ))}
                <td className="text-right">{amps(assessment.allWhiteA)}</td>
              </tr>
              {assessment.moods.some((mood) => mood.limited) && (
                <tr>
                  <td className="font-sans">left by the program’s limiter</td>
                  <td />
                  {assessment.moods.map((mood) => (
                    <td key={mood.moodId} className="text-right">
                      {mood.limited ? amps(mood.limited.meanA) : ''}
                    </td>
                  ))}
                  <td />
                </tr>
              )}
            </tbody>
          </table>
          <p className="mt-1 text-[13px] text-faint">Moods: the mean over time at their brightness.</p>
        </Section>
      )}
    </>
  );
}
