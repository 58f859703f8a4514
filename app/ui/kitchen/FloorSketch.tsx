import { RowButton } from "~/ui/parts/keys";
import { InlineField, InlineFields, InlineLabel, RowButtons } from "~/ui/parts/forms";
import { Span, Text, VisuallyHidden } from "@chakra-ui/react";
import { FloorMark, FloorPlan } from "~/ui/parts/room";
import { PlainList } from "~/ui/parts/shopping";
import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { useRef, useState } from "react";
import { type Floor, type FloorKind, floorKinds } from "~/core/gear";
import { floorWords } from "~/ui/words/kits";
import { Hidden, PlainInput } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";

type Mark = Floor["marks"][number];

/** What a new sketch begins with: a hall of 8 by 6 metres and a way out. */
const emptyFloor: Floor = { widthM: 8, depthM: 6, marks: [{ kind: "exit", label: "", x: 0.4, y: 3 }] };
const grid = 0.25;
const onGrid = (value: number, most: number) => Math.min(most, Math.max(0, Math.round(value / grid) * grid));

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-grid, 0],
  ArrowRight: [grid, 0],
  ArrowUp: [0, -grid],
  ArrowDown: [0, grid],
};

function DraggedMark({
  index,
  mark,
  floor,
  move,
}: {
  index: number;
  mark: Mark;
  floor: Floor;
  move: (x: number, y: number) => void;
}) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: String(index) });
  return (
    <FloorMark
      type="button"
      ref={setNodeRef}
      data-kind={mark.kind}
      style={{
        left: `${(mark.x / floor.widthM) * 100}%`,
        top: `${(mark.y / floor.depthM) * 100}%`,
        transform: `translate(-50%, -50%) translate(${transform?.x ?? 0}px, ${transform?.y ?? 0}px)`,
      }}
      {...attributes}
      {...listeners}
      onKeyDown={(event) => {
        const by = arrows[event.key];
        if (!by) return;
        event.preventDefault();
        move(mark.x + by[0], mark.y + by[1]);
      }}
    >
      {mark.label || floorWords[mark.kind]}
    </FloorMark>
  );
}

/** The room from above: things are dragged, or moved a quarter metre at a time with the arrow keys. */
export function FloorSketch({ floor: given }: { floor: Floor | undefined }) {
  const [floor, setFloor] = useState<Floor>(given ?? emptyFloor);
  const box = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const change = (index: number, more: Partial<Mark>) =>
    setFloor((so) => ({ ...so, marks: so.marks.map((mark, at) => (at === index ? { ...mark, ...more } : mark)) }));
  const drop = ({ active, delta }: DragEndEvent) => {
    const index = Number(active.id);
    const mark = floor.marks[index];
    if (!mark || !box.current) return;
    change(index, {
      x: onGrid(mark.x + (delta.x / box.current.clientWidth) * floor.widthM, floor.widthM),
      y: onGrid(mark.y + (delta.y / box.current.clientHeight) * floor.depthM, floor.depthM),
    });
  };
  const add = (kind: FloorKind) =>
    setFloor((so) => ({
      ...so,
      marks: [
        ...so.marks,
        { kind, label: "", x: onGrid(so.widthM / 2, so.widthM), y: onGrid(so.depthM / 2, so.depthM) },
      ],
    }));
  const size = (key: "widthM" | "depthM", text: string) => {
    const value = Number(text.replace(",", "."));
    if (Number.isFinite(value) && value >= 1 && value <= 100)
      setFloor((so) => {
        const next = { ...so, [key]: value };
        return {
          ...next,
          marks: so.marks.map((mark) => ({
            ...mark,
            x: Math.min(mark.x, next.widthM),
            y: Math.min(mark.y, next.depthM),
          })),
        };
      });
  };
  return (
    <>
      <Hidden name="floor" value={JSON.stringify(floor)} />
      <TypedGuard differs={JSON.stringify(floor) !== JSON.stringify(given ?? emptyFloor)} />
      <InlineFields _print={{ display: "none" }}>
        {(["widthM", "depthM"] as const).map((key) => (
          <InlineField span="tiny" key={key}>
            <InlineLabel>{key === "widthM" ? "Wide, m" : "Deep, m"}</InlineLabel>
            <PlainInput
              inputMode="decimal"
              defaultValue={floor[key]}
              onChange={(event) => size(key, event.target.value)}
            />
          </InlineField>
        ))}
        <RowButtons as="span">
          {floorKinds.map((kind) => (
            <RowButton
              key={kind}
              type="button"

              onClick={() => add(kind)}
              disabled={floor.marks.length >= 120}
            >
              + {floorWords[kind]}
            </RowButton>
          ))}
        </RowButtons>
      </InlineFields>
      <DndContext sensors={sensors} onDragEnd={drop}>
        <FloorPlan
          ref={box}

          style={{
            aspectRatio: `${floor.widthM} / ${floor.depthM}`,
            backgroundSize: `${100 / floor.widthM}% ${100 / floor.depthM}%`,
          }}
          role="group"
          aria-label="Sketch of the room"
        >
          {floor.marks.map((mark, index) => (
            <DraggedMark
              key={index}
              index={index}
              mark={mark}
              floor={floor}
              move={(x, y) => change(index, { x: onGrid(x, floor.widthM), y: onGrid(y, floor.depthM) })}
            />
          ))}
        </FloorPlan>
      </DndContext>
      <PlainList _print={{ display: "none" }}>
        {floor.marks.map((mark, index) => (
          <InlineFields as="li" isTight key={index}>
            <Span minW="130px">{floorWords[mark.kind]}</Span>
            <InlineField>
              <VisuallyHidden>Name of the {floorWords[mark.kind]}</VisuallyHidden>
              <PlainInput
                value={mark.label}
                maxLength={40}
                onChange={(event) => change(index, { label: event.target.value })}
                placeholder="name"
              />
            </InlineField>
            <Span color="fg.muted" fontSize="sm">
              {mark.x} m from the left, {mark.y} m from the top
            </Span>
            <RowButton
              type="button"

              onClick={() => setFloor((so) => ({ ...so, marks: so.marks.filter((_, at) => at !== index) }))}
            >
              take out
            </RowButton>
          </InlineFields>
        ))}
      </PlainList>
      <Text fontSize="sm" color="fg.muted">
        One square is a metre. Keep the ways out free, the heat away from the door, and the table set apart where
        nothing is carried past it.
      </Text>
    </>
  );
}
