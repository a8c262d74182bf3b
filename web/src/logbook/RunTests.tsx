import { type ComparedRun, compareRun, summarise, tunePacks } from '@glimmer/core/logbook';
import { printNumber } from '@glimmer/core/units';
import { Trash2 } from 'lucide-react';
import { setField } from '../items/itemActions.ts';
import { useSheet } from '../stages/useSheet.ts';
import { editPlan } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Table } from '../widgets/Table.tsx';
import { tellDone } from '../widgets/tellDone.ts';
import { useSayTime } from '../widgets/when.ts';

function RunTestRow({ run }: { readonly run: ComparedRun }) {
  const sayTime = useSayTime();
  const printer = usePrinter();
  const { test, deviation, say } = run;
  return (
    <tr className="border-b border-rule/60 align-top">
      <td className="py-1">
        {test.moodName} at {printer.quantity('fraction', test.brightness)},{' '}
        {printer.quantity('temperatureC', test.ambientC)}
        <span className="block text-tiny text-faint">
          {sayTime(test.at)}
          {test.note && `; ${test.note}`}; {say}
        </span>
      </td>
      <td className="figures py-1 pl-3 text-right whitespace-nowrap">
        {test.predictedHours === null ? '–' : printer.quantity('timeH', test.predictedHours)}
      </td>
      <td className="figures py-1 pl-3 text-right whitespace-nowrap">{printer.quantity('timeH', test.hours)}</td>
      <td className="figures py-1 pl-3 text-right whitespace-nowrap">
        {deviation === null ? '–' : `${deviation > 0 ? '+' : ''}${printNumber(deviation * 100, 2)} %`}
      </td>
      <td className="text-right">
        <Button
          look="quiet"
          aria-label={`Remove run test of ${test.moodName}`}
          onClick={() =>
            editPlan((draft) => {
              draft.logbook.runTests = draft.logbook.runTests.filter((each) => each.id !== test.id);
            })
          }
        >
          <Trash2 size={15} />
        </Button>
      </td>
    </tr>
  );
}

/** What the tests say of a pack's capacity, where that is another than is reckoned with. */
function Tuning() {
  const printer = usePrinter();
  const { plan, assessment } = useSheet();
  const isOneOfMany = assessment.standBy.length > 1;
  return tunePacks(assessment, plan.logbook.runTests).map(({ packId, name, nowMah, tuned }) => (
    <p key={packId} className="mb-2 border-l-2 border-brass pl-3">
      The tests say a capacity of{' '}
      <span className="figures">
        {printer.quantity('capacityMah', tuned.likely)} ± {printer.quantity('capacityMah', tuned.spread)}
      </span>
      {isOneOfMany && ` of ${name}`} rather than{' '}
      <span className="figures">{printer.quantity('capacityMah', nowMah)}</span>, if nothing else is off.{' '}
      <Button
        onClick={() => {
          setField(packId, 'capacityMah', tuned);
          tellDone(`${name} is reckoned with the measured capacity now`);
        }}
      >
        Reckon with it
      </Button>
    </p>
  ));
}

/** The runs that were logged, each beside its prediction, and what they say of the pack. */
export function RunTests() {
  const { plan } = useSheet();
  const { runTests } = plan.logbook;
  const compared = runTests.map(compareRun);
  const spread = summarise(compared.flatMap((run) => (run.deviation === null ? [] : [run.deviation])));
  return (
    <>
      {compared.length > 0 && (
        <Table className="mb-2 w-full text-small">
          <thead>
            <tr className="border-b border-rule text-left text-faint">
              <th className="font-normal">run test</th>
              <th className="text-right font-normal">predicted</th>
              <th className="text-right font-normal">ran</th>
              <th className="text-right font-normal">off by</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {compared.map((run) => (
              <RunTestRow key={run.test.id} run={run} />
            ))}
          </tbody>
        </Table>
      )}
      {spread && compared.length > 1 && (
        <p className="text-small text-faint">
          On the mean {printNumber(spread.mean * 100, 2)} % against the prediction, ±{' '}
          {printNumber(spread.deviation * 100, 2)} % from test to test.
        </p>
      )}
      <Tuning />
    </>
  );
}
