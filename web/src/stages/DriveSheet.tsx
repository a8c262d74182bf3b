import { colourBands } from '@glimmer/core/drive';
import { explainData, explainDrive } from '@glimmer/core/explain';
import { controllers } from '@glimmer/core/parts';
import { bands } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import { Lock } from 'lucide-react';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { AddControl, Controls } from './Controls.tsx';
import { Loop } from './Loop.tsx';
import { useSheet } from './useSheet.ts';

const ohms = (value: number): string => printQuantity('resistanceOhm', value);
const amps = (value: number): string => printQuantity('currentA', value);

function lockPin(demand: string, pin: string | null): void {
  editDesign((draft) => {
    draft.drive.pinLocks = [
      ...draft.drive.pinLocks.filter((lock) => lock.demand !== demand),
      ...(pin ? [{ demand, pin }] : []),
    ];
  });
}

function Pins() {
  const { design, assessment } = useSheet();
  const { pinPlan, controller } = assessment;
  if (!pinPlan || !controller) return null;
  if (pinPlan.given.length === 0 && pinPlan.ok) return <p className="text-faint">Nothing needs a pin yet.</p>;
  return (
    <>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="border-b border-rule text-left text-[13px] text-faint">
            <th className="font-normal">what</th>
            <th className="w-40 font-normal">pin</th>
            <th className="font-normal">remark</th>
          </tr>
        </thead>
        <tbody>
          {pinPlan.given.map(({ demand, pin, locked }) => (
            <tr key={demand.id} className="border-b border-rule/60">
              <td className="py-0.5">{demand.label}</td>
              <td className="py-0.5 pr-2">
                <Choice
                  hideLabel
                  overruled={locked}
                  label={`Pin of ${demand.label}`}
                  value={locked ? pin.name : 'auto'}
                  options={[
                    { value: 'auto', label: locked ? 'reckoned' : `${pin.name}, reckoned` },
                    ...controller.pins
                      .filter((each) => each.can.includes(demand.needs))
                      .map((each) => ({ value: each.name, label: each.name })),
                  ]}
                  onChoose={(value) => lockPin(demand.id, value === 'auto' ? null : value)}
                />
              </td>
              <td className="text-[13px] text-faint">
                {locked && (
                  <span className="mr-1 inline-flex items-center gap-1 text-brass">
                    <Lock size={12} />
                    yours
                  </span>
                )}
                {pin.startUp ?? ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {pinPlan.ok && (
        <p className="mt-1 text-[13px] text-faint">
          Free: <span className="figures">{pinPlan.free.map((pin) => pin.name).join(' ') || 'none'}</span>
        </p>
      )}
      {design.drive.pinLocks.length > 0 && (
        <Button
          look="quiet"
          onClick={() =>
            editDesign((draft) => {
              draft.drive.pinLocks = [];
            })
          }
        >
          Free all locks
        </Button>
      )}
    </>
  );
}

/** Stage 4. */
export default function DriveSheet() {
  const { design, assessment } = useSheet();
  const { controller } = assessment;
  const data = explainData(assessment);
  return (
    <>
      {!controller && (
        <BeginHere>
          Begin with a controller: pins, resistors and switches follow from it. The larger 5 V one does for most pieces;
          the radio kind draws more.
        </BeginHere>
      )}
      <Section title="Controller">
        <Choice
          hideLabel
          label="Controller"
          value={design.drive.controller ?? 'none'}
          options={[
            { value: 'none', label: 'none yet' },
            ...controllers.map((each) => ({ value: each.id, label: each.name })),
          ]}
          onChoose={(value) =>
            editDesign((draft) => {
              draft.drive.controller = value === 'none' ? null : value;
              draft.drive.pinLocks = [];
            })
          }
        />
        {controller && (
          <p className="figures mt-1 text-[13px] text-faint">
            {printQuantity('voltageV', controller.logicV)} logic; draws {amps(controller.drawA.likely)}; a pin gives{' '}
            {amps(controller.pinLimitA)}, all together {amps(controller.chipLimitA)}; resets below{' '}
            {printQuantity('voltageV', controller.brownOutV)}
          </p>
        )}
      </Section>
      {controller && (
        <>
          <Section title="Pins">
            <Pins />
          </Section>
          {assessment.driven.length > 0 && (
            <Section title="Channels of single lights">
              {assessment.driven.map((leds) => {
                const index = design.leds.findIndex((group) => group.id === leds.groupId);
                const group = design.leds[index];
                if (!group) return null;
                return (
                  <div key={leds.groupId} className="stitch py-2 first:border-t-0">
                    <p className="font-semibold">{leds.name}</p>
                    <div className="my-1 grid grid-cols-3 gap-2">
                      <QuantityField
                        label="Resistor, each light"
                        kind="resistanceOhm"
                        value={leds.resistor.resistorOhm}
                        band={bands.resistorOhm}
                        overruled={leds.resistor.overruled}
                        hint={colourBands(leds.resistor.resistorOhm)?.join(' ')}
                        onCommit={(value) =>
                          editDesign((draft) => {
                            const found = draft.leds[index];
                            if (found) found.resistorOhm = value;
                          })
                        }
                        onClear={() =>
                          editDesign((draft) => {
                            const found = draft.leds[index];
                            if (found) found.resistorOhm = null;
                          })
                        }
                      />
                      <Choice
                        label="Rated"
                        value={String(group.resistorRatedW)}
                        options={['0.125', '0.25', '0.5', '1', '2', '5'].map((value) => ({
                          value,
                          label: printQuantity('powerW', Number(value)),
                        }))}
                        onChoose={(value) =>
                          editDesign((draft) => {
                            const found = draft.leds[index];
                            if (found) found.resistorRatedW = Number(value);
                          })
                        }
                        hint={`${printQuantity('powerW', leds.resistor.heatW)} at most`}
                      />
                      <Choice
                        label="Switched by"
                        value={group.drivenBy}
                        overruled={group.drivenBy !== 'auto'}
                        options={[
                          { value: 'auto', label: 'as reckoned' },
                          { value: 'pin', label: 'the pin itself' },
                          { value: 'transistor', label: 'a transistor' },
                        ]}
                        onChoose={(value) =>
                          editDesign((draft) => {
                            const found = draft.leds[index];
                            if (found) found.drivenBy = value;
                          })
                        }
                        hint={
                          leds.by.kind === 'pin'
                            ? 'straight from the pin'
                            : `${leds.by.part.name}; ${ohms(leds.by.gateOhm)} at its ${leds.by.part.type === 'bipolar' ? 'base' : 'gate'}`
                        }
                      />
                    </div>
                    <FigureLine
                      label="Each light, dimmest to brightest"
                      value={`${amps(leds.resistor.currentA)} (${amps(leds.resistor.dimmestA)} to ${amps(leds.resistor.brightestA)})`}
                      onOpen={() => openSum(explainDrive(leds))}
                    />
                    <FigureLine
                      label="Head-room for the resistor"
                      value={printQuantity('voltageV', leds.resistor.headRoomV)}
                    />
                  </div>
                );
              })}
            </Section>
          )}
          {data && (
            <Section title="Pixel data">
              <div className="grid grid-cols-2 items-end gap-3">
                <QuantityField
                  label="Resistor in the data line"
                  kind="resistanceOhm"
                  value={design.drive.dataResistorOhm}
                  band={bands.resistorOhm}
                  placeholder="none"
                  onCommit={(value) =>
                    editDesign((draft) => {
                      draft.drive.dataResistorOhm = value;
                    })
                  }
                  onClear={() =>
                    editDesign((draft) => {
                      draft.drive.dataResistorOhm = null;
                    })
                  }
                />
                <QuantityField
                  label="Reservoir at the tape’s feed"
                  kind="capacitanceUf"
                  value={design.power.reservoirUf}
                  band={bands.reservoirUf}
                  placeholder="none"
                  onCommit={(value) =>
                    editDesign((draft) => {
                      draft.power.reservoirUf = value;
                    })
                  }
                  onClear={() =>
                    editDesign((draft) => {
                      draft.power.reservoirUf = null;
                    })
                  }
                />
                <Tick
                  label="Level shifter in the data line"
                  checked={design.drive.levelShifter}
                  onChange={(value) =>
                    editDesign((draft) => {
                      draft.drive.levelShifter = value;
                    })
                  }
                />
                <FigureLine
                  label="Frames a second, at most"
                  value={data.answer.split(' ')[0]}
                  onOpen={() => openSum(data)}
                />
              </div>
            </Section>
          )}
          <Section title="Buttons and sensors">
            <Controls />
            <AddControl />
          </Section>
          <Loop />
        </>
      )}
    </>
  );
}
