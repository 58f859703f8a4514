import { Heading, List, Span, Text } from "@chakra-ui/react";
import { SeatItem, SeatName, SeatTable, SmallSelect, TableGrid } from "~/ui/parts/people";
import { TickLabel } from "~/ui/parts/forms";
import { useLocale } from "~/ui/sheet/locale";
import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { type ReactNode, useState } from "react";
import type { Participant } from "~/core/people";
import { needsInWords } from "~/ui/people/needs";
import { ageWords } from "~/ui/words/en";
import { Tick } from "~/ui/parts/plain";

/** Tables that everybody's list offers at once; of more, a list is filled when a pointer or the focus comes to it. */
const mostOffered = 40;

interface Table {
  readonly index: number;
  readonly name: string;
  readonly dish: string;
  readonly people: readonly Participant[];
  readonly isApart: boolean;
}
interface Props {
  readonly tables: readonly Table[];
  readonly onMove: (personId: string, to: number) => void;
  readonly onApart: (index: number, isApart: boolean) => void;
  /** People whom the last look found something wrong with. */
  readonly troubled: ReadonlySet<string>;
}

/** The room as tables with their people; drag a person, or choose another table in their list. */
export function Tables({ tables, onMove, onApart, troubled }: Props) {
  // A press that moves is a drag, one that does not reaches the list.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) onMove(String(active.id), Number(over.id));
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <TableGrid>
        {tables.map((table) => (
          <Drop key={table.index} table={table}>
            <Heading as="h3" size="lg">
              {table.name}
            </Heading>
            <Text fontSize="sm" color="fg.muted">
              {table.dish}
            </Text>
            <TickLabel fontSize="sm">
              <Tick checked={table.isApart} onChange={(event) => onApart(table.index, event.target.checked)} />
              apart: own kit and gear, cooks first
            </TickLabel>
            <List.Root>
              {table.people.map((person) => (
                <Person
                  key={person.id}
                  person={person}
                  at={table.index}
                  tables={tables}
                  onMove={onMove}
                  isTroubled={troubled.has(person.id)}
                />
              ))}
            </List.Root>
            {table.people.length === 0 ? (
              <Text fontSize="sm" color="fg.muted">
                nobody yet
              </Text>
            ) : null}
          </Drop>
        ))}
      </TableGrid>
    </DndContext>
  );
}

function Drop({ table, children }: { table: Table; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: table.index });
  return (
    <SeatTable data-apart={table.isApart ? "" : undefined} isOver={isOver} ref={setNodeRef} aria-label={table.name}>
      {children}
    </SeatTable>
  );
}

function Person({
  person,
  at,
  tables,
  onMove,
  isTroubled,
}: {
  person: Participant;
  at: number;
  tables: readonly Table[];
  onMove: Props["onMove"];
  isTroubled: boolean;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: person.id });
  const needs = needsInWords(person, useLocale());
  const [isWanted, setWanted] = useState(false);
  // Every table in everybody's list: 400 people at 400 tables would be 160,000 options.
  const offered = isWanted || tables.length <= mostOffered ? tables : tables.filter((table) => table.index === at);
  return (
    <SeatItem
      data-needs={isTroubled ? "" : undefined}
      isDragged={isDragging}
      ref={setNodeRef}

      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <SeatName {...listeners}>
        <b>{person.name}</b>
        <Span fontSize="sm" color="fg.muted">
          {" "}
          {ageWords[person.ageBand]}
          {person.hasAnswered ? (needs ? `; ${needs}` : "") : "; not answered"}
        </Span>
      </SeatName>
      <SmallSelect
        aria-label={`${person.name} sits at`}

        value={at}
        onPointerEnter={() => setWanted(true)}
        onFocus={() => setWanted(true)}
        onChange={(event) => onMove(person.id, Number(event.target.value))}
      >
        {offered.map((table) => (
          <option key={table.index} value={table.index}>
            {table.name}
          </option>
        ))}
      </SmallSelect>
    </SeatItem>
  );
}
