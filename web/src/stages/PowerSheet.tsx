import { type Assessment, fullOf } from '@glimmer/core/assess';
import { powerSchools } from '@glimmer/core/choice';
import { explainCeiling, figuresOf, onRails } from '@glimmer/core/figures';
import { fusesFor, leadOf } from '@glimmer/core/findings';
import { kindOf, pulsesOf } from '@glimmer/core/items';
import type { Item } from '@glimmer/core/plan';
import { sayCeiling } from '@glimmer/core/power';
import { amps, type Message, milliampHours, say } from '@glimmer/core/units';
import type { Shown } from '../items/FormRows.tsx';
import { AddItems, ItemCard } from '../items/ItemCard.tsx';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Schools } from '../widgets/Schools.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { Table } from '../widgets/Table.tsx';
import { Chain } from './Chain.tsx';
import { Night } from './Night.tsx';
import { States } from './States.tsx';
import { useSheet } from './useSheet.ts';
import { Waiting } from './Waiting.tsx';
import { Warm } from './Warm.tsx';

const suits = ({ leastA, mostA, bestA }: NonNullable<ReturnType<typeof fusesFor>>): Message =>
  bestA !== null
    ? say`suits: ${amps(leastA)} to ${amps(mostA)}`
    : say`none that is sold suits: what flows wants ${amps(leastA)}, what is behind it bears ${amps(mostA)}`;

/** What the app says in the fields of a source that the maker has left to it. */
function shownOf(item: Item, assessment: Assessment): Shown {
  const supply = assessment.supplies.find(({ rail }) => rail.id === item.id);
  const gives = supply?.rail.gives;
  if (!supply || gives?.form !== 'cells' || gives.item.id !== item.id) return {};
  const fuse = fusesFor(leadOf(supply, assessment));
  const capacity = gives.part?.capacityMah;
  return {
    fuseA: { hint: fuse ? <Said>{suits(fuse)}</Said> : undefined },
    capacityMah: capacity
      ? {
          value: capacity.likely,
          hint: <Said>{say`${capacity.origin} of the kind, ± ${milliampHours(capacity.spread)}`}</Said>,
        }
      : undefined,
  };
}

const isOfPulses = (field: string): boolean => field === 'restPulseS' || field === 'workPulseS';

function Items({ roles }: { readonly roles: readonly string[] }) {
  const { design, assessment } = useSheet();
  return design.items
    .filter((item) => kindOf(item.kind).stage === 'power' && roles.includes(kindOf(item.kind).role))
    .map((item) => (
      <ItemCard
        key={item.id}
        item={item}
        only={({ field }) => !isOfPulses(field) || pulsesOf(item, assessment.library) !== null}
        shown={shownOf(item, assessment)}
      />
    ));
}

/** What flows on each rail, and what it is good for. */
function RailTable() {
  const printer = usePrinter();
  const { assessment } = useSheet();
  return (
    <Section title="Rails">
      <Table className="figures w-full text-small">
        <thead>
          <tr className="border-b border-rule text-left text-faint">
            <th className="font-sans font-normal">rail</th>
            <th className="text-right font-sans font-normal">voltage</th>
            <th className="text-right font-sans font-normal">peak</th>
            <th className="text-right font-sans font-normal">usual</th>
            <th className="text-right font-sans font-normal">at rest</th>
            <th className="text-right font-sans font-normal">good for</th>
          </tr>
        </thead>
        <tbody>
          {assessment.railFigures.map((rail) => (
            <tr key={rail.id} className="border-b border-rule/60">
              <td className="font-sans">{rail.name}</td>
              <td className="text-right">{rail.range ? printer.quantity('voltageV', rail.range.nominalV) : '?'}</td>
              <td className="text-right">{printer.quantity('currentA', rail.peakA)}</td>
              <td className="text-right">{printer.quantity('currentA', rail.usualA)}</td>
              <td className="text-right">{printer.quantity('currentA', rail.restA)}</td>
              <td className="text-right">{rail.limitA === null ? '' : printer.quantity('currentA', rail.limitA)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}

/** How bright each mood may be set. */
function Ceilings() {
  const printer = usePrinter();
  const { assessment } = useSheet();
  return (
    <Section title="Brightness ceilings">
      {assessment.ceilings.length === 0 && <p className="text-faint">A ceiling needs a mood.</p>}
      {assessment.ceilings.map((ceiling) => (
        <FigureLine
          key={ceiling.moodId}
          label={`${ceiling.name}, set to ${printer.quantity('fraction', ceiling.setTo)}`}
          value={
            <span className={ceiling.setTo > ceiling.brightness ? 'font-bold text-brick-ink' : ''}>
              {printer.message(sayCeiling(ceiling.brightness))}
              {ceiling.fresh > ceiling.brightness + 0.005
                ? ` (full pack ${printer.message(sayCeiling(ceiling.fresh))})`
                : ''}
            </span>
          }
          onOpen={() => openSum(explainCeiling(assessment, ceiling))}
        />
      ))}
    </Section>
  );
}

/** All consumers together, and what the limiter leaves of that. */
function BudgetSums() {
  const printer = usePrinter();
  const { assessment } = useSheet();
  return (
    <>
      <tr className="font-semibold">
        <td className="font-sans">together</td>
        <td className="text-right">
          {printer.quantity(
            'currentA',
            assessment.consumers.reduce((sum, each) => sum + each.restA, 0),
          )}
        </td>
        {assessment.moods.map((mood) => (
          <td key={mood.moodId} className="text-right">
            {printer.quantity('currentA', mood.meanA)}
          </td>
        ))}
        <td className="text-right">{printer.quantity('currentA', assessment.allWhiteA)}</td>
      </tr>
      {assessment.moods.some((mood) => mood.limited) && (
        <tr>
          <td className="font-sans">left by the program’s limiter</td>
          <td />
          {assessment.moods.map((mood) => (
            <td key={mood.moodId} className="text-right">
              {mood.limited ? printer.quantity('currentA', mood.limited.meanA) : ''}
            </td>
          ))}
          <td />
        </tr>
      )}
    </>
  );
}

/** What each consumer draws, dark, in each mood and at full. */
function Budget() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  return (
    <Section
      title="Budget on the rails"
      aside={
        <Button look="quiet" onClick={() => openSum(figuresOf(assessment).peakA)}>
          Open the sum
        </Button>
      }
    >
      <Table className="figures w-full text-small [&_td+td]:whitespace-nowrap [&_td+td]:pl-2">
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
              <td className="text-right">{printer.quantity('currentA', consumer.restA)}</td>
              {assessment.moods.map((mood) => (
                <td key={mood.moodId} className="text-right">
                  {printer.quantity(
                    'currentA',
                    mood.groups.find((group) => group.groupId === consumer.id)?.meanA ??
                      consumer.restA + consumer.steadyA,
                  )}
                </td>
              ))}
              <td className="text-right">
                {printer.quantity('currentA', consumer.restA + consumer.steadyPeakA + fullOf(consumer, 'peak'))}
              </td>
            </tr>
          ))}
          <BudgetSums />
        </tbody>
      </Table>
      <p className="mt-1 text-small text-faint">
        <Said>{say`Moods: the mean over time at their brightness, ${onRails(assessment)}.`}</Said>
      </p>
    </Section>
  );
}

/** Stage 5. */
export default function PowerSheet() {
  const { assessment } = useSheet();
  return (
    <>
      {assessment.supplies.length === 0 && (
        <BeginHere>
          Begin with a pack. Pixels on a lithium cell want a boost converter to keep their colour; three AA cells can
          feed a few single lights straight.
        </BeginHere>
      )}
      {assessment.supplies.map((supply) => (
        <Section
          key={supply.rail.id}
          title={
            assessment.supplies.length > 1
              ? `The chain from ${supply.rail.name}`
              : 'The chain, at the height of the evening'
          }
          aside={<span className="text-small text-faint">each link at its worst, from full to a tenth</span>}
        >
          <Chain links={supply.links} weakestName={supply.weakest?.name} />
        </Section>
      ))}
      <Section
        title="Sources"
        aside={
          <AddItems kinds={['pack', 'outside supply']} main={assessment.supplies.length === 0 ? 'pack' : undefined} />
        }
      >
        <Items roles={['source']} />
      </Section>
      <Section
        title="Switches, converters, chargers"
        aside={<AddItems kinds={['switch', 'converter', 'changeover', 'charger']} />}
      >
        <Items roles={['passes', 'charges']} />
      </Section>
      <States />
      <Section title="Other loads" aside={<AddItems kinds={['load']} />}>
        <Items roles={['load']} />
      </Section>
      {assessment.railFigures.length > 1 && <RailTable />}
      {assessment.supplies.length > 0 && (
        <>
          <Section title="The night">
            <Night />
          </Section>
          {assessment.standBy.length > 0 && (
            <Section title="Waiting and carrying">
              <Waiting />
            </Section>
          )}
          <Ceilings />
        </>
      )}
      <Warm />
      {assessment.consumers.length > 0 && <Budget />}
      <Schools schools={powerSchools} />
    </>
  );
}
