import { hollowOf } from '@glimmer/core/assess';
import { schools } from '@glimmer/core/choice';
import { type FormRow, type ItemKind, itemsOf, kindOf, takesTurns } from '@glimmer/core/items';
import type { Driven } from '@glimmer/core/network';
import { findPart, type LedPart } from '@glimmer/core/parts';
import type { Design, Item } from '@glimmer/core/plan';
import { MapPin, Spline } from 'lucide-react';
import type { Shown } from '../items/FormRows.tsx';
import { ItemCard } from '../items/ItemCard.tsx';
import { addItem } from '../items/itemActions.ts';
import { GuideDetails } from '../lights/GuideDetails.tsx';
import { LightDetails, LightLead } from '../lights/LightDetails.tsx';
import {
  isTapeLead,
  PixelTapeDetails,
  PixelTapeLead,
  PlainTapeDetails,
  PlainTapeLead,
} from '../lights/TapeDetails.tsx';
import { WhatCouldLight } from '../lights/WhatCouldLight.tsx';
import { tool } from '../state/tool.ts';
import { Button } from '../widgets/Button.tsx';
import { Schools } from '../widgets/Schools.tsx';
import { BeginHere, Section } from '../widgets/Section.tsx';
import { useSheet } from './useSheet.ts';

type LightKind = 'pixel tape' | 'light' | 'plain tape' | 'guide';

const sections: readonly { readonly kind: LightKind; readonly add: string }[] = [
  { kind: 'pixel tape', add: 'Add a tape' },
  { kind: 'light', add: 'Add single lights' },
  { kind: 'plain tape', add: 'Add plain tape' },
  { kind: 'guide', add: 'Add light guides' },
];

function layOut(kind: ItemKind, id: string): void {
  tool.pointAt(id);
  if (kind === 'guide') tool.take({ kind: 'end', guideId: id });
  else tool.take(kind === 'light' ? { kind: 'light', groupId: id } : { kind: 'route', tapeId: id });
}

function Details({ item }: { readonly item: Item }) {
  const { assessment } = useSheet();
  const placed = assessment.placed.find((group) => group.id === item.id);
  switch (item.kind) {
    case 'pixel tape':
      return <PixelTapeDetails item={item} placed={placed?.shape === 'pixels' ? placed : undefined} />;
    case 'plain tape':
      return <PlainTapeDetails item={item} placed={placed?.shape === 'units' ? placed : undefined} />;
    case 'light':
      return <LightDetails item={item} placed={placed?.shape === 'lights' ? placed : undefined} />;
    case 'guide':
      return <GuideDetails item={item} />;
    default:
      return null;
  }
}

/** What is asked and told before all else. */
function Lead({ item }: { readonly item: Item }) {
  const { assessment } = useSheet();
  const placed = assessment.placed.find((group) => group.id === item.id);
  switch (item.kind) {
    case 'pixel tape':
      return <PixelTapeLead item={item} placed={placed?.shape === 'pixels' ? placed : undefined} />;
    case 'plain tape':
      return <PlainTapeLead item={item} placed={placed?.shape === 'units' ? placed : undefined} />;
    case 'light':
      return <LightLead item={item} />;
    default:
      return null;
  }
}

/** Whether a row stands above the others. */
const isLead = (item: Item, row: FormRow): boolean =>
  (item.kind === 'pixel tape' || item.kind === 'plain tape') && isTapeLead(row);

function Layer({ item }: { readonly item: Item }) {
  const isRoute = 'route' in item;
  return (
    <Button onClick={() => layOut(item.kind, item.id)}>
      {isRoute ? <Spline size={16} /> : <MapPin size={16} />}
      {isRoute
        ? item.route.length > 0
          ? 'Go on with the route'
          : 'Lay the route'
        : 'ends' in item
          ? 'Place its holes'
          : 'Place on the picture'}
    </Button>
  );
}

const rounded = (volts: number | undefined): number | null => (volts === undefined ? null : Number(volts.toFixed(2)));

/** What stands in a light’s fields while the maker has typed nothing there. */
function shownOf(item: Item, design: Design, driven: Driven | undefined): Shown {
  const hollowKPerW = item.kind === 'light' ? hollowOf({ boxId: item.boxId }, design) : null;
  return {
    forwardV: { value: rounded(driven?.forwardV.likely) },
    ...(hollowKPerW === null ? {} : { hollowKPerW: { value: Number(hollowKPerW.toFixed(1)) } }),
  };
}

/** What the first tape of a data line decides for all behind it. */
const isOfTheLine = (item: Item, field: string): boolean =>
  item.kind === 'pixel tape' &&
  item.after !== null &&
  ['feed', 'board', 'dataResistorOhm', 'levelShifter', 'reservoirUf', 'spareFirst'].includes(field);

/** A driver holds all its lights in one string, without a resistor; dice that share a leg have each their own; what takes turns is wired by its lines. */
const isSettled = (item: Item, field: string, part: LedPart | undefined): boolean =>
  item.kind === 'light' &&
  ((part?.body !== 'power star' && ['sinkKPerW', 'sinkG', 'boxId', 'hollowKPerW', 'litS', 'heldBy'].includes(field)) ||
    (takesTurns(item.switchedBy)
      ? ['inSeries', 'sideBySide', 'resistorAt', 'channels', 'wiring'].includes(field)
      : field === 'diodes') ||
    (item.switchedBy.way === 'driver' && ['inSeries', 'sideBySide', 'resistorAt'].includes(field)) ||
    (part?.dice !== undefined && ['inSeries', 'sideBySide', 'resistorAt', 'channels', 'forwardV'].includes(field)) ||
    (part?.insideOhm !== undefined && ['wantedCurrentA', 'resistorAt'].includes(field)));

/** Stage 2. */
export default function LightsSheet() {
  const { design, assessment } = useSheet();
  const driven = new Map(assessment.driven.map((each) => [each.itemId, each]));
  return (
    <>
      {itemsOf(design, 'pixel tape', 'light', 'plain tape').length === 0 && (
        <BeginHere>
          Begin with what glows: add a tape and click its route on the picture, or add single lights and click where
          each sits. The count, the gap and the fit follow.
        </BeginHere>
      )}
      <WhatCouldLight />
      {sections.map(({ kind, add }) => {
        const items = itemsOf(design, kind);
        return (
          <Section
            key={kind}
            title={kindOf(kind).name}
            aside={
              <Button
                look={items.length === 0 && (kind === 'pixel tape' || kind === 'light') ? 'main' : 'quiet'}
                onClick={() => layOut(kind, addItem(kind))}
              >
                {add}
              </Button>
            }
          >
            {items.map((item) => (
              <ItemCard
                key={item.id}
                item={item}
                only={(row) =>
                  !isLead(item, row) &&
                  !isOfTheLine(item, row.field) &&
                  !isSettled(item, row.field, findPart(assessment.library, 'led', 'part' in item ? item.part : null))
                }
                shown={shownOf(item, design, driven.get(item.id))}
                actions={<Layer item={item} />}
                lead={<Lead item={item} />}
              >
                <Details item={item} />
              </ItemCard>
            ))}
          </Section>
        );
      })}
      <Schools schools={schools} />
    </>
  );
}
