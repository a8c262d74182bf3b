import { itemNamed } from '@glimmer/core/plan';
import { isWorthATable, type PlanState, type StateTable, type Trouble, tabulateStates } from '@glimmer/core/states';
import { useState } from 'react';
import { Button } from '../widgets/Button.tsx';
import { Section } from '../widgets/Section.tsx';
import { Table } from '../widgets/Table.tsx';
import { useSheet } from './useSheet.ts';

/** More rows than anybody reads at once. */
const MOST_ROWS = 16;

function sayTrouble(trouble: Trouble, nameOf: (id: string) => string): string {
  switch (trouble.kind) {
    case 'meet':
      return `${nameOf(trouble.ids[0])} and ${nameOf(trouble.ids[1])} push into each other`;
    case 'backwards':
      return `${nameOf(trouble.ids[0])} pushes into the output of ${nameOf(trouble.ids[1])}`;
    case 'charges nothing':
      return `${nameOf(trouble.chargerId)} reaches no pack`;
    default:
      return `${nameOf(trouble.packId)} is charged while ${trouble.itemIds.map(nameOf).join(', ')} may draw`;
  }
}

function Row({
  table,
  state,
  nameOf,
}: {
  readonly table: StateTable;
  readonly state: PlanState;
  readonly nameOf: (id: string) => string;
}) {
  return (
    <tr className="border-b border-rule/60 align-top">
      {table.levers.map((lever, i) => (
        <td key={lever.id} className="pr-2">
          {lever.positions[state.positions[i] ?? 0]}
        </td>
      ))}
      {table.rails.map((rail) => {
        const by = state.fedBy.get(rail.id) ?? [];
        return (
          <td key={rail.id} className={`border-l border-rule/60 px-2 ${by.length === 0 ? 'text-faint' : ''}`}>
            {by.length === 0 ? 'dark' : by.map(nameOf).join(' + ')}
          </td>
        );
      })}
      <td className="border-l border-rule/60 pl-2 font-semibold text-brick-ink">
        {state.troubles.map((trouble) => sayTrouble(trouble, nameOf)).join('; ')}
      </td>
    </tr>
  );
}

/** What is live in every position of switches, plugs and chargers, as the nets have it. */
export function States() {
  const { design, assessment } = useSheet();
  const [isWhole, setWhole] = useState(false);
  const table = tabulateStates(design, assessment);
  if (!isWorthATable(table)) return null;
  const nameOf = (id: string): string => itemNamed(design, id)?.name ?? id;
  const troubled = table.states.filter(({ troubles }) => troubles.length > 0);
  const isLong = table.states.length > MOST_ROWS;
  const shown = !isLong || isWhole ? table.states : (troubled.length > 0 ? troubled : table.states).slice(0, MOST_ROWS);
  return (
    <Section
      title="What is live when"
      aside={
        isLong && (
          <Button look="quiet" onClick={() => setWhole(!isWhole)}>
            {isWhole ? 'Fewer rows' : `All ${table.states.length} positions`}
          </Button>
        )
      }
    >
      <div className="overflow-x-auto">
        <Table className="w-full text-small">
          <thead>
            <tr className="border-b border-rule text-left text-faint">
              {table.levers.map((lever) => (
                <th key={lever.id} className="pr-2 font-normal">
                  {lever.name}
                </th>
              ))}
              {table.rails.map((rail) => (
                <th key={rail.id} className="border-l border-rule/60 px-2 font-normal">
                  {rail.name} has power from
                </th>
              ))}
              <th className="border-l border-rule/60 pl-2 font-normal">trouble</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((state) => (
              <Row key={state.positions.join('')} table={table} state={state} nameOf={nameOf} />
            ))}
          </tbody>
        </Table>
      </div>
      <p className="mt-1 text-small text-faint">
        {troubled.length === 0
          ? `In none of ${table.states.length} positions does one feed push into another.`
          : `In ${troubled.length} of ${table.states.length} positions there is trouble.`}{' '}
        Followed along the wires, not along what was meant.
        {table.leftAtRest.length > 0 &&
          ` Left as they are at rest: ${table.leftAtRest.map(({ name }) => name).join(', ')}.`}
      </p>
    </Section>
  );
}
