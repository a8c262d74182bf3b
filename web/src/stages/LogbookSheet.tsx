import type { Assessment } from '@glimmer/core/assess';
import { compareRun, summarise, tuneCapacity } from '@glimmer/core/logbook';
import { bands, type KeptVersion } from '@glimmer/core/plan';
import { printNumber } from '@glimmer/core/units';
import { castDraft } from 'immer';
import { Trash2, Undo2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useCallback, useState } from 'react';
import { setField } from '../items/itemActions.ts';
import { editPlan, undo } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Choice, LongText, QuantityField, ShareSlider } from '../widgets/fields.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { useTyped } from '../widgets/typed.ts';
import { sayTime } from '../widgets/when.ts';
import { useLogbook } from '../worker/useLogbook.ts';
import { useSheet } from './useSheet.ts';

/** The pack that the piece’s hours hang on. */
function packOf(assessment: Assessment) {
  const gives = assessment.supplies.find((supply) => supply.runsFor === assessment.runsFor)?.rail.gives;
  return gives?.form === 'cells' ? gives : null;
}

function RunTestForm() {
  const printer = usePrinter();
  const { design, assessment } = useSheet();
  const first = design.moods.list[0];
  const [moodId, setMoodId] = useState(first?.id ?? 'course');
  const mood = design.moods.list.find((each) => each.id === moodId);
  const [brightness, setBrightness] = useState<number | null>(null);
  const [ranH, setRanH] = useState<number | null>(null);
  const [ambientC, setAmbientC] = useState<number | null>(null);
  const shownBrightness = brightness ?? mood?.brightness ?? 1;
  const atC = ambientC ?? design.piece.ambientC;
  const moodRanId = mood?.id ?? null;
  const predicted = useLogbook(
    useCallback(
      (logbook) => logbook.predict({ design, ambientC: atC, moodId: moodRanId, brightness: shownBrightness }),
      [design, atC, moodRanId, shownBrightness],
    ),
  );
  const pack = packOf(assessment);
  const capacityMah = pack?.item.capacityMah ?? pack?.part?.capacityMah ?? null;
  const log = (): void => {
    if (ranH === null || predicted === undefined) return;
    editPlan((draft) => {
      draft.logbook.runTests.push({
        id: nanoid(8),
        at: new Date().toISOString(),
        moodId: mood?.id ?? null,
        moodName: mood?.name ?? 'The evening’s course',
        brightness: shownBrightness,
        ambientC: atC,
        hours: ranH,
        predictedHours: predicted,
        ...(capacityMah ? { predictedWithMah: capacityMah.likely } : {}),
        note: '',
      });
    });
    setRanH(null);
    tell('Run test logged', { undo });
  };
  return (
    <div className="grid grid-cols-2 items-end gap-x-3 gap-y-2">
      <Choice
        label="Mood that ran"
        value={mood ? moodId : 'course'}
        options={[
          ...design.moods.list.map((each) => ({ value: each.id, label: each.name })),
          { value: 'course', label: 'the evening’s course' },
        ]}
        onChoose={(value) => {
          setMoodId(value);
          setBrightness(null);
        }}
      />
      {mood ? <ShareSlider label="Brightness it ran at" value={shownBrightness} onChange={setBrightness} /> : <span />}
      <QuantityField
        label="How long it really ran"
        kind="timeH"
        value={ranH}
        band={bands.runHours}
        placeholder="3.5 h or 210 min"
        onCommit={setRanH}
        onClear={() => setRanH(null)}
      />
      <QuantityField label="Temperature" kind="temperatureC" value={atC} band={bands.ambientC} onCommit={setAmbientC} />
      <p className="text-faint">
        {predicted === undefined ? (
          'The prediction is being reckoned …'
        ) : predicted === null ? (
          'No prediction: it needs a pack and a mood.'
        ) : (
          <>
            Predicted: <span className="figures text-ink">{printer.quantity('timeH', predicted)}</span>
          </>
        )}
      </p>
      <Button
        look="main"
        onClick={log}
        disabled={ranH === null || predicted === undefined}
        className="justify-self-start"
      >
        Log the run test
      </Button>
    </div>
  );
}

function RunTests() {
  const printer = usePrinter();
  const { plan, assessment } = useSheet();
  const { runTests } = plan.logbook;
  const compared = runTests.map(compareRun);
  const spread = summarise(compared.flatMap((run) => (run.deviation === null ? [] : [run.deviation])));
  const pack = packOf(assessment);
  const capacityMah = pack?.item.capacityMah ?? pack?.part?.capacityMah ?? null;
  const tuned = pack?.part ? tuneCapacity(pack.part.capacityMah, runTests) : null;
  const isFar = tuned && capacityMah && Math.abs(tuned.likely / capacityMah.likely - 1) > 0.02;
  return (
    <>
      {compared.length > 0 && (
        <table className="mb-2 w-full text-[13.5px]">
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
            {compared.map(({ test, deviation, say }) => (
              <tr key={test.id} className="border-b border-rule/60 align-top">
                <td className="py-1">
                  {test.moodName} at {printer.quantity('fraction', test.brightness)},{' '}
                  {printer.quantity('temperatureC', test.ambientC)}
                  <span className="block text-[12.5px] text-faint">
                    {sayTime(test.at)}
                    {test.note && `; ${test.note}`}; {say}
                  </span>
                </td>
                <td className="figures py-1 pl-3 text-right whitespace-nowrap">
                  {test.predictedHours === null ? '–' : printer.quantity('timeH', test.predictedHours)}
                </td>
                <td className="figures py-1 pl-3 text-right whitespace-nowrap">
                  {printer.quantity('timeH', test.hours)}
                </td>
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
            ))}
          </tbody>
        </table>
      )}
      {spread && compared.length > 1 && (
        <p className="text-[13.5px] text-faint">
          On the mean {printNumber(spread.mean * 100, 2)} % against the prediction, ±{' '}
          {printNumber(spread.deviation * 100, 2)} % from test to test.
        </p>
      )}
      {pack && capacityMah && tuned && isFar && (
        <p className="mb-2 border-l-2 border-brass pl-3">
          The tests say a capacity of{' '}
          <span className="figures">
            {printer.quantity('capacityMah', tuned.likely)} ± {printer.quantity('capacityMah', tuned.spread)}
          </span>{' '}
          rather than {printer.quantity('capacityMah', capacityMah.likely)}, if nothing else is off.{' '}
          <Button
            onClick={() => {
              setField(pack.item.id, 'capacityMah', tuned);
              tell('The pack is reckoned with the measured capacity now', { undo });
            }}
          >
            Reckon with it
          </Button>
        </p>
      )}
    </>
  );
}

function Versions() {
  const printer = usePrinter();
  const { plan, design } = useSheet();
  const { versions } = plan.logbook;
  const [typedName, setName] = useTyped('Name of the version');
  const [typedWhy, setWhy] = useTyped('Why it is kept');
  const [name, why] = [typedName ?? '', typedWhy ?? ''];
  const [beforeId, setBeforeId] = useState<string | null>(null);
  const [afterId, setAfterId] = useState('now');
  const before = versions.find((each) => each.id === beforeId) ?? versions[versions.length - 1];
  const after = versions.find((each) => each.id === afterId);
  const [beforeDesign, afterDesign] = [before?.design ?? null, after?.design ?? design];
  const rows = useLogbook(
    useCallback(
      (logbook) => (beforeDesign ? logbook.compare(beforeDesign, afterDesign) : Promise.resolve([])),
      [beforeDesign, afterDesign],
    ),
  );
  const keep = (): void => {
    editPlan((draft) => {
      draft.logbook.versions.push({
        id: nanoid(8),
        name: name.trim() || `Version ${versions.length + 1}`,
        why: why.trim(),
        keptAt: new Date().toISOString(),
        design: draft.design,
      });
    });
    setName(null);
    setWhy(null);
    tell('This version is kept', { undo });
  };
  const bringBack = (version: KeptVersion): void => {
    editPlan((draft) => {
      draft.logbook.versions.push({
        id: nanoid(8),
        name: `Before going back to ${version.name}`.slice(0, 110),
        why: '',
        keptAt: new Date().toISOString(),
        design: draft.design,
      });
      draft.design = castDraft(version.design);
    });
    tell(`${version.name} is back on the bench; what was there is kept as a version`, { undo });
  };
  return (
    <>
      <div className="grid grid-cols-[1fr_1.4fr_auto] items-end gap-2">
        <label className="text-[13px] text-faint">
          Name of this version
          <input
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
            placeholder={`Version ${versions.length + 1}`}
            className="block w-full rounded-sm border border-rule bg-paper px-2 py-1 text-[14.5px] text-ink"
          />
        </label>
        <label className="text-[13px] text-faint">
          What changed, and why
          <input
            value={why}
            maxLength={400}
            onChange={(event) => setWhy(event.target.value)}
            className="block w-full rounded-sm border border-rule bg-paper px-2 py-1 text-[14.5px] text-ink"
          />
        </label>
        <Button onClick={keep}>Keep it</Button>
      </div>
      {versions.length > 0 && (
        <ul className="mt-2">
          {versions.map((version) => (
            <li key={version.id} className="flex items-center gap-2 border-b border-rule/60 py-0.5">
              <span className="flex-1">
                {version.name}{' '}
                <span className="text-[13px] text-faint">
                  {sayTime(version.keptAt)}
                  {version.why && `; ${version.why}`}
                </span>
              </span>
              <Button look="quiet" onClick={() => bringBack(version)} disabled={version.design === design}>
                <Undo2 size={15} />
                Bring back
              </Button>
              <Button
                look="quiet"
                aria-label={`Remove version ${version.name}`}
                onClick={() =>
                  editPlan((draft) => {
                    draft.logbook.versions = draft.logbook.versions.filter((each) => each.id !== version.id);
                  })
                }
              >
                <Trash2 size={15} />
              </Button>
            </li>
          ))}
        </ul>
      )}
      {before && (
        <div className="mt-3">
          <p className="mb-1">
            Compare{' '}
            <Choice
              inline
              label="The one"
              value={before.id}
              options={versions.map((each) => ({ value: each.id, label: each.name }))}
              onChoose={setBeforeId}
            />{' '}
            with{' '}
            <Choice
              inline
              label="The other"
              value={after?.id ?? 'now'}
              options={[
                { value: 'now', label: 'what is on the bench' },
                ...versions.map((each) => ({ value: each.id, label: each.name })),
              ]}
              onChoose={setAfterId}
            />
          </p>
          {rows === undefined ? (
            <p className="text-faint">Both are being reckoned …</p>
          ) : rows.length === 0 ? (
            <p className="text-faint">No figure and no part differs.</p>
          ) : (
            <table className="w-full text-[13.5px]" aria-label="Comparison of two versions">
              <thead>
                <tr className="border-b border-rule text-left text-faint">
                  <th className="font-normal">what</th>
                  <th className="text-right font-normal">{before.name}</th>
                  <th className="text-right font-normal">{after?.name ?? 'now'}</th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={printer.message(row.label)} className="border-b border-rule/60">
                    <td className="py-0.5">
                      <Said>{row.label}</Said>
                    </td>
                    <td className={`figures text-right ${row.better === 'before' ? 'font-bold text-verdigris' : ''}`}>
                      <Said>{row.before}</Said>
                      {row.better === 'before' ? ' better' : ''}
                    </td>
                    <td className={`figures text-right ${row.better === 'after' ? 'font-bold text-verdigris' : ''}`}>
                      <Said>{row.after}</Said>
                      {row.better === 'after' ? ' better' : ''}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </div>
      )}
    </>
  );
}

function Entries() {
  const { plan } = useSheet();
  const [typed, setText] = useTyped('An entry');
  const text = typed ?? '';
  const write = (): void => {
    if (text.trim() === '') return;
    editPlan((draft) => {
      draft.logbook.entries.push({ id: nanoid(8), at: new Date().toISOString(), text: text.trim() });
    });
    setText(null);
  };
  return (
    <>
      <LongText label="What happened, what was learned" value={text} onChange={setText} rows={2} />
      <Button onClick={write} disabled={text.trim() === ''} className="mt-1">
        Write it down
      </Button>
      <ul className="mt-2">
        {[...plan.logbook.entries].reverse().map((entry) => (
          <li key={entry.id} className="stitch flex items-start gap-2 py-1.5 first:border-t-0">
            <p className="flex-1 whitespace-pre-wrap">
              {entry.text}
              <span className="block text-[13px] text-faint">{sayTime(entry.at)}</span>
            </p>
            <Button
              look="quiet"
              aria-label={`Remove the entry of ${sayTime(entry.at)}`}
              onClick={() =>
                editPlan((draft) => {
                  draft.logbook.entries = draft.logbook.entries.filter((each) => each.id !== entry.id);
                })
              }
            >
              <Trash2 size={15} />
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Stage 8. */
export default function LogbookSheet() {
  const { plan } = useSheet();
  const { entries, runTests, versions } = plan.logbook;
  return (
    <>
      {entries.length + runTests.length + versions.length === 0 && (
        <BeginHere>
          Begin by keeping a version before you change things, and log the first run test: one evening’s hours beside
          the prediction teach the most.
        </BeginHere>
      )}
      <Section title="Run tests">
        <RunTests />
        <RunTestForm />
      </Section>
      <Section title="Versions">
        <Versions />
      </Section>
      <Section title="Entries">
        <Entries />
      </Section>
    </>
  );
}
