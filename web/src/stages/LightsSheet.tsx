import { explainTape } from '@glimmer/core/explain';
import { finishedDiameter, type PlacedLeds, type PlacedTape } from '@glimmer/core/lights';
import { leds as ledParts, pixelTapes } from '@glimmer/core/parts';
import { bands, type LedGroup, type Tape } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { MapPin, Spline, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { editDesign } from '../state/planStore.ts';
import { useViewStore, view } from '../state/viewStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField, Tick } from '../widgets/fields.tsx';
import { BeginHere, FigureLine, Section } from '../widgets/Section.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';
import { withOwn } from './OwnParts.tsx';
import { useSheet } from './useSheet.ts';

const mm = (value: number): string => printQuantity('lengthMm', value);

function addTape(): void {
  const id = nanoid(8);
  editDesign((draft) => {
    const last = draft.tapes[draft.tapes.length - 1];
    draft.tapes.push({
      id,
      name: `Tape ${draft.tapes.length + 1}`,
      part: last?.part ?? 'pixel-tape-60',
      route: [],
      lengthMm: null,
      reversed: false,
      after: null,
      channelId: null,
      dieCurrentA: null,
    });
  });
  view.pointAt(id);
  view.takeTool({ kind: 'route', tapeId: id });
}

function addLeds(): void {
  const id = nanoid(8);
  editDesign((draft) => {
    draft.leds.push({
      id,
      name: `Lights ${draft.leds.length + 1}`,
      part: 'led-5mm-warm-white',
      channels: 1,
      wantedCurrentA: 0.01,
      forwardV: null,
      resistorOhm: null,
      resistorRatedW: 0.25,
      sleeved: true,
      drivenBy: 'auto',
      places: [],
    });
  });
  view.pointAt(id);
  view.takeTool({ kind: 'light', groupId: id });
}

function removeGroup(id: string): void {
  editDesign((draft) => {
    draft.tapes = draft.tapes.filter((tape) => tape.id !== id);
    draft.leds = draft.leds.filter((group) => group.id !== id);
    for (const tape of draft.tapes) if (tape.after === id) tape.after = null;
    for (const mood of draft.moods.list) delete mood.moves[id];
  });
}

/** The points of a route as numbers, for work without a pointer. */
function RouteTable({ tape, index }: { readonly tape: Tape; readonly index: number }) {
  return (
    <details className="mt-1">
      <summary className="text-[13.5px] text-verdigris">{tape.route.length} points of the route, as numbers</summary>
      <table className="mt-1 w-full text-[13.5px]">
        <thead>
          <tr className="text-left text-faint">
            <th>point</th>
            <th>across</th>
            <th>down</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {tape.route.map((point, i) => (
            <tr key={i}>
              <td className="figures w-12">{i + 1}</td>
              {(['xMm', 'yMm'] as const).map((axis) => (
                <td key={axis} className="pr-2">
                  <QuantityField
                    hideLabel
                    label={`Point ${i + 1} ${axis === 'xMm' ? 'across' : 'down'}`}
                    kind="lengthMm"
                    value={point[axis]}
                    band={bands.placeMm}
                    onCommit={(value) =>
                      editDesign((draft) => {
                        const found = draft.tapes[index]?.route[i];
                        if (found) found[axis] = value;
                      })
                    }
                  />
                </td>
              ))}
              <td>
                <Button
                  look="quiet"
                  aria-label={`Remove point ${i + 1}`}
                  onClick={() =>
                    editDesign((draft) => {
                      draft.tapes[index]?.route.splice(i, 1);
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
      <Button
        look="quiet"
        onClick={() =>
          editDesign((draft) => {
            const route = draft.tapes[index]?.route;
            const last = route?.[route.length - 1];
            route?.push(last ? { xMm: last.xMm + 50, yMm: last.yMm } : { xMm: 50, yMm: 50 });
          })
        }
      >
        Add a point
      </Button>
    </details>
  );
}

function TapeCard({
  tape,
  placed,
  index,
}: {
  readonly tape: Tape;
  readonly placed: PlacedTape | undefined;
  readonly index: number;
}) {
  const { design, assessment } = useSheet();
  const set = (recipe: (draft: Draft<Tape>) => void): void =>
    editDesign((draft) => {
      const found = draft.tapes[index];
      if (found) recipe(found);
    });
  const pointed = useViewStore((state) => state.pointedId === tape.id);
  const fit = assessment.fits.find((each) => each.groupId === tape.id);
  const cut = placed?.cut;
  const part = placed?.part;
  return (
    <article
      className={`stitch py-2.5 first:border-t-0 ${pointed ? 'border-l-2 border-l-verdigris pl-3' : ''}`}
      onFocus={() => view.pointAt(tape.id)}
    >
      <div className="mb-1.5 grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <TextField
          label="Tape"
          value={tape.name}
          onCommit={(name) =>
            set((draft) => {
              draft.name = name;
            })
          }
        />
        <Button
          onClick={() => {
            view.pointAt(tape.id);
            view.takeTool({ kind: 'route', tapeId: tape.id });
          }}
        >
          <Spline size={16} />
          {tape.route.length > 0 ? 'Go on with the route' : 'Lay the route'}
        </Button>
        <Button look="quiet" aria-label={`Remove ${tape.name}`} onClick={() => removeGroup(tape.id)}>
          <Trash2 size={16} />
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="Kind of tape"
          value={tape.part}
          options={withOwn(design, 'pixel-tape', pixelTapes).map((each) => ({
            value: each.id,
            label: `${'like' in each ? `${each.name}: ` : ''}${each.perMetre}/m, ${each.widthMm} mm`,
          }))}
          onChoose={(value) =>
            set((draft) => {
              draft.part = value;
            })
          }
        />
        <QuantityField
          label="Length of the route"
          kind="lengthMm"
          value={placed?.routeMm ?? null}
          band={bands.tapeLengthMm}
          overruled={tape.lengthMm !== null}
          placeholder="lay it on the picture"
          onCommit={(value) =>
            set((draft) => {
              draft.lengthMm = value;
            })
          }
          onClear={() =>
            set((draft) => {
              draft.lengthMm = null;
            })
          }
          hint={tape.lengthMm !== null ? 'Empty it to measure on the picture again.' : undefined}
        />
        <Choice
          label="Data comes from"
          value={tape.after ?? 'controller'}
          options={[
            { value: 'controller', label: 'the controller' },
            ...design.tapes
              .filter((each) => each.id !== tape.id && !leadsTo(design.tapes, each.id, tape.id))
              .map((each) => ({ value: each.id, label: `the end of ${each.name}` })),
          ]}
          onChoose={(value) =>
            set((draft) => {
              draft.after = value === 'controller' ? null : value;
            })
          }
        />
        <Choice
          label="Lies in"
          value={tape.channelId ?? 'none'}
          options={[
            { value: 'none', label: 'no channel' },
            ...design.hollows
              .filter((hollow) => hollow.kind === 'channel')
              .map((hollow) => ({ value: hollow.id, label: hollow.name })),
          ]}
          onChoose={(value) =>
            set((draft) => {
              draft.channelId = value === 'none' ? null : value;
            })
          }
        />
        <QuantityField
          label="Current of one die at full"
          kind="currentA"
          value={tape.dieCurrentA?.likely ?? part?.dieCurrentA.likely ?? null}
          band={bands.dieCurrentA}
          overruled={tape.dieCurrentA !== null}
          hint={
            tape.dieCurrentA
              ? tape.dieCurrentA.origin
              : `typical, ± ${printQuantity('currentA', part?.dieCurrentA.spread ?? 0)}`
          }
          onCommit={(value) =>
            set((draft) => {
              draft.dieCurrentA = { likely: value, spread: value * 0.03, origin: 'measured' };
            })
          }
          onClear={() =>
            set((draft) => {
              draft.dieCurrentA = null;
            })
          }
        />
        <div className="self-center">
          <Tick
            label="Data enters at the far end"
            checked={tape.reversed}
            onChange={(value) =>
              set((draft) => {
                draft.reversed = value;
              })
            }
          />
        </div>
      </div>
      {cut && placed && (
        <div className="mt-2">
          <FigureLine
            label="Lights"
            value={<strong className="text-[19px]">{cut.lights}</strong>}
            onOpen={() => openSum(explainTape(placed))}
          />
          <FigureLine label="Lit length, gap left at the end" value={`${mm(cut.litLengthMm)}, ${mm(cut.gapMm)}`} />
          <FigureLine
            label="One cut shorter, one longer"
            value={`${cut.shorter.lights} (${mm(cut.shorter.lengthMm)}), ${cut.longer.lights} (${mm(cut.longer.lengthMm)})`}
          />
          {fit && <FigureLine label="In its channel" value={`${fit.verdict}: ${mm(fit.acrossMm)} each side`} />}
        </div>
      )}
      <RouteTable tape={tape} index={index} />
    </article>
  );
}

/** True if the data of `from` already comes by way of `to`: joining them again would make a circle. */
function leadsTo(tapes: readonly Tape[], from: string, to: string): boolean {
  let at: string | null = from;
  for (let hops = 0; at !== null && hops <= tapes.length; hops += 1) {
    if (at === to) return true;
    at = tapes.find((tape) => tape.id === at)?.after ?? null;
  }
  return false;
}

function LedCard({
  group,
  placed,
  index,
}: {
  readonly group: LedGroup;
  readonly placed: PlacedLeds | undefined;
  readonly index: number;
}) {
  const { design, assessment } = useSheet();
  const set = (recipe: (draft: Draft<LedGroup>) => void): void =>
    editDesign((draft) => {
      const found = draft.leds[index];
      if (found) recipe(found);
    });
  const driven = assessment.driven.find((each) => each.groupId === group.id);
  const pointed = useViewStore((state) => state.pointedId === group.id);
  const part = placed?.part;
  const bores = design.hollows.filter((hollow) => hollow.kind === 'bore');
  return (
    <article
      className={`stitch py-2.5 first:border-t-0 ${pointed ? 'border-l-2 border-l-verdigris pl-3' : ''}`}
      onFocus={() => view.pointAt(group.id)}
    >
      <div className="mb-1.5 grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <TextField
          label="Light group"
          value={group.name}
          onCommit={(name) =>
            set((draft) => {
              draft.name = name;
            })
          }
        />
        <Button
          onClick={() => {
            view.pointAt(group.id);
            view.takeTool({ kind: 'light', groupId: group.id });
          }}
        >
          <MapPin size={16} />
          Place on the picture
        </Button>
        <Button look="quiet" aria-label={`Remove ${group.name}`} onClick={() => removeGroup(group.id)}>
          <Trash2 size={16} />
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="Kind of light"
          value={group.part}
          options={withOwn(design, 'led', ledParts).map((each) => ({ value: each.id, label: each.name }))}
          onChoose={(value) =>
            set((draft) => {
              draft.part = value;
            })
          }
        />
        <QuantityField
          label="Channels"
          kind="count"
          value={group.channels}
          band={bands.channels}
          hint="light i hangs on channel i mod channels"
          onCommit={(value) =>
            set((draft) => {
              draft.channels = Math.round(value);
            })
          }
        />
        <QuantityField
          label="Wanted current, each"
          kind="currentA"
          value={group.wantedCurrentA}
          band={bands.ledCurrentA}
          hint={
            part
              ? `rated ${printQuantity('currentA', part.ratedCurrentA)}; half the current looks like 73 %`
              : undefined
          }
          onCommit={(value) =>
            set((draft) => {
              draft.wantedCurrentA = value;
            })
          }
        />
        <QuantityField
          label="Forward voltage at that current"
          kind="voltageV"
          value={group.forwardV?.likely ?? driven?.forwardV.likely ?? null}
          band={bands.forwardV}
          overruled={group.forwardV !== null}
          placeholder="choose a controller first"
          hint={
            group.forwardV
              ? `${group.forwardV.origin}, ± ${printQuantity('voltageV', group.forwardV.spread)}`
              : `typical of the kind, ± ${printQuantity('voltageV', part?.forwardSpreadV ?? 0.15)}`
          }
          onCommit={(value) =>
            set((draft) => {
              draft.forwardV = { likely: value, spread: 0.05, origin: 'measured' };
            })
          }
          onClear={() =>
            set((draft) => {
              draft.forwardV = null;
            })
          }
        />
      </div>
      {part && (
        <div className="mt-1 flex flex-wrap items-center gap-x-4">
          {part.sleeveWallMm > 0 && (
            <Tick
              label="Legs in shrink sleeve"
              checked={group.sleeved}
              onChange={(value) =>
                set((draft) => {
                  draft.sleeved = value;
                })
              }
            />
          )}
          <span className="text-faint">
            finished{' '}
            <span className="figures">
              ⌀ {mm(finishedDiameter.reckon({ d: part.bareDiameterMm, w: group.sleeved ? part.sleeveWallMm : 0 }))}
            </span>
            , bore at least{' '}
            <span className="figures">
              {mm(
                Math.ceil(
                  (finishedDiameter.reckon({ d: part.bareDiameterMm, w: group.sleeved ? part.sleeveWallMm : 0 }) +
                    0.4) *
                    10 -
                    1e-6,
                ) / 10,
              )}
            </span>
          </span>
        </div>
      )}
      {group.places.length > 0 && (
        <ul className="mt-1">
          {group.places.map((place, i) => {
            const fit = assessment.fits.find((each) => each.placeId === place.id && each.groupId === group.id);
            return (
              <li key={place.id} className="grid grid-cols-[1.5rem_1fr_1fr_1.4fr_auto_auto] items-center gap-2 py-0.5">
                <span className="figures">{i + 1}</span>
                {(['xMm', 'yMm'] as const).map((axis) => (
                  <QuantityField
                    key={axis}
                    hideLabel
                    label={`${group.name} ${i + 1}, ${axis === 'xMm' ? 'across' : 'down'}`}
                    kind="lengthMm"
                    value={place.at[axis]}
                    band={bands.placeMm}
                    onCommit={(value) =>
                      set((draft) => {
                        const found = draft.places[i];
                        if (found) found.at[axis] = value;
                      })
                    }
                  />
                ))}
                <Choice
                  hideLabel
                  label={`Bore of ${group.name} ${i + 1}`}
                  value={place.hollowId ?? 'none'}
                  options={[
                    { value: 'none', label: 'no bore' },
                    ...bores.map((bore) => ({ value: bore.id, label: bore.name })),
                  ]}
                  onChoose={(value) =>
                    editDesign((draft) => {
                      const found = draft.leds[index]?.places[i];
                      if (found) found.hollowId = value === 'none' ? null : value;
                    })
                  }
                />
                <span
                  className={`w-24 text-[13px] ${fit && fit.verdict !== 'fits' ? 'font-semibold text-amber-ink' : 'text-faint'}`}
                >
                  {fit ? `${fit.verdict}${fit.verdict === 'fits' ? `, ${mm(fit.acrossMm)}` : ''}` : ''}
                </span>
                <Button
                  look="quiet"
                  aria-label={`Remove ${group.name} ${i + 1}`}
                  onClick={() =>
                    editDesign((draft) => {
                      draft.leds[index]?.places.splice(i, 1);
                    })
                  }
                >
                  <Trash2 size={15} />
                </Button>
              </li>
            );
          })}
        </ul>
      )}
      <Button
        look="quiet"
        onClick={() =>
          editDesign((draft) => {
            draft.leds[index]?.places.push({
              id: nanoid(8),
              at: { xMm: Math.round(draft.view.widthMm / 2), yMm: Math.round(draft.view.heightMm / 2) },
              hollowId: null,
            });
          })
        }
      >
        Add one in the middle
      </Button>
    </article>
  );
}

/** Stage 2. */
export default function LightsSheet() {
  const { design, assessment } = useSheet();
  const placedOf = (id: string) => assessment.placed.find((group) => group.id === id);
  return (
    <>
      {design.tapes.length + design.leds.length === 0 && (
        <BeginHere>
          Begin with what glows: add a tape and click its route on the picture, or add single lights and click where
          each sits. The count, the gap and the fit follow.
        </BeginHere>
      )}
      <Section
        title="Pixel tape"
        aside={
          <Button look={design.tapes.length === 0 ? 'main' : 'quiet'} onClick={addTape}>
            Add a tape
          </Button>
        }
      >
        {design.tapes.map((tape, i) => {
          const placed = placedOf(tape.id);
          return <TapeCard key={tape.id} tape={tape} index={i} placed={placed?.kind === 'tape' ? placed : undefined} />;
        })}
      </Section>
      <Section
        title="Single lights"
        aside={
          <Button look={design.leds.length === 0 ? 'main' : 'quiet'} onClick={addLeds}>
            Add single lights
          </Button>
        }
      >
        {design.leds.map((group, i) => {
          const placed = placedOf(group.id);
          return (
            <LedCard key={group.id} group={group} index={i} placed={placed?.kind === 'leds' ? placed : undefined} />
          );
        })}
      </Section>
    </>
  );
}
