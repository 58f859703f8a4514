import { RoomSvg } from "~/ui/parts/drawings";
import { type Leg, carrierOf, thingOf } from "~/core/contact";
import type { Floor, FloorKind } from "~/core/gear";
import type { StationPlan } from "~/core/plan";
import { headsAround } from "./heads";

type Seated = Pick<StationPlan, "id" | "name" | "size" | "isApart">;

interface Props {
  readonly floor: Floor | undefined;
  readonly stations: readonly Seated[];
  /** Ways something takes from station to station, drawn over the room. */
  readonly paths?: readonly (readonly Leg[])[];
  /** The clock at a moment of the class, in minutes since the doors. */
  readonly at?: (minutes: number) => string;
  readonly nameOf: (kind: FloorKind) => string;
  /** A station to be found at once. */
  readonly marked?: string | undefined;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Units of the drawing in a metre. */
const metre = 100;
const table = { width: 150, height: 76 } as const;
const head = 13;

/** Where what is shared stands, by what it is: a surface at the heat, toppings at their bar, what is packed from at its table. */
const placeOfThing: Partial<Record<ReturnType<typeof thingOf>["kind"], FloorKind>> = {
  unit: "heat",
  topping: "topping-bar",
  tub: "packing",
  packing: "packing",
};

/** A room nobody sketched: tables in rows, and no wall is known. */
const unsketched = (stations: number): Floor => {
  const columns = Math.max(1, Math.ceil(Math.sqrt(stations * 1.8)));
  const rows = Math.max(1, Math.ceil(stations / columns));
  return {
    widthM: columns * 2.4 + 0.6,
    depthM: rows * 2 + 0.6,
    marks: Array.from({ length: stations }, (_, index) => ({
      kind: "station" as const,
      label: "",
      x: 1.5 + (index % columns) * 2.4,
      y: 1.3 + Math.floor(index / columns) * 2,
    })),
  };
};

/** Where each station stands: at the mark of its name, else at the next that nobody has; those without one along the foot of the room. */
function placesOf(floor: Floor, stations: readonly Seated[]): ReadonlyMap<string, Point> {
  const free = floor.marks.filter((mark) => mark.kind === "station");
  const places = new Map<string, Point>();
  const take = (index: number) => {
    const [mark] = free.splice(index, 1);
    return mark ? { x: mark.x * metre, y: mark.y * metre } : undefined;
  };
  for (const station of stations) {
    const own = free.findIndex((mark) => mark.label.trim().toLowerCase() === station.name.trim().toLowerCase());
    const at = own >= 0 ? take(own) : undefined;
    if (at) places.set(station.id, at);
  }
  const left = stations.filter((station) => !places.has(station.id));
  left.forEach((station, index) =>
    places.set(
      station.id,
      take(0) ?? {
        x: ((index + 1) / (left.length + 1)) * floor.widthM * metre,
        y: (floor.depthM - 0.7) * metre,
      },
    ),
  );
  return places;
}

function Table({ station, at, isMarked }: { station: Seated; at: Point; isMarked: boolean }) {
  const { width, height } = table;
  return (
    <g
      data-part="table"
      data-apart={station.isApart ? "" : undefined}
      data-marked={isMarked ? "" : undefined}

      transform={`translate(${at.x} ${at.y})`}
    >
      {headsAround(station.size).map(({ isFar, along }) => (
        <circle
          data-part="head"

          key={`${isFar} ${along}`}
          r={head}
          cx={(along - 0.5) * width}
          cy={(isFar ? -1 : 1) * (height / 2 + head + 3)}
        />
      ))}
      <rect x={-width / 2} y={-height / 2} width={width} height={height} rx="5" />
      {station.isApart ? (
        <rect
          data-part="inner"

          x={-width / 2 + 7}
          y={-height / 2 + 7}
          width={width - 14}
          height={height - 14}
          rx="3"
        />
      ) : null}
      <text y="9" textAnchor="middle">
        {station.name}
      </text>
    </g>
  );
}

/** The room from above: tables with as many as sit there, heat, water and ways out where they stand, and the ways something takes. */
export function RoomDrawing({ floor: sketched, stations, paths = [], at, nameOf, marked }: Props) {
  const floor = sketched ?? unsketched(stations.length);
  const places = placesOf(floor, stations);
  const [width, depth] = [floor.widthM * metre, floor.depthM * metre];
  const standsAt = (kind: FloorKind) => floor.marks.find((mark) => mark.kind === kind);
  const legs = paths.flatMap((path) => path.filter((leg) => thingOf(leg.thing).kind !== "kit"));
  const seen = new Set<string>();
  const ways = legs.flatMap((leg) => {
    const [from, to] = [places.get(carrierOf(leg.from).stationId), places.get(carrierOf(leg.to).stationId)];
    const key = `${carrierOf(leg.from).stationId} ${carrierOf(leg.to).stationId} ${thingOf(leg.thing).kind}`;
    if (!from || !to || seen.has(key) || (from.x === to.x && from.y === to.y)) return [];
    seen.add(key);
    const over = placeOfThing[thingOf(leg.thing).kind];
    const via = over && standsAt(over);
    // From the edge of one table to the edge of the other, above the heads, so that no name is crossed.
    const edge = table.height / 2 + head;
    const [leaves, lands] = [
      { x: from.x + 30, y: from.y - edge },
      { x: to.x - 30, y: to.y - edge },
    ];
    // Where the thing stands the way goes by it; otherwise in a bow, so that two ways between two tables can be told apart.
    const bow = via
      ? { x: via.x * metre, y: via.y * metre }
      : {
          x: (from.x + to.x) / 2 + (from.y - to.y) * 0.3,
          y: (from.y + to.y) / 2 - 90 - Math.abs(to.x - from.x) * 0.08,
        };
    return [{ key, from: leaves, to: lands, bow, pickedAt: leg.pickedAt }];
  });
  return (
    <RoomSvg
      isUnsketched={!sketched}

      viewBox={`-6 -6 ${width + 12} ${depth + 12}`}
      aria-hidden="true"
    >
      <defs>
        <marker
          id="room-arrow"
          viewBox="0 0 10 10"
          refX="8"
          refY="5"
          markerWidth="7"
          markerHeight="7"
          orient="auto-start-reverse"
        >
          <path data-part="arrow" d="M0 0L10 5L0 10Z" />
        </marker>
      </defs>
      <rect data-part="walls" width={width} height={depth} />
      {floor.marks
        .filter((mark) => mark.kind !== "station")
        .map((mark) => {
          const words = mark.label || nameOf(mark.kind);
          const half = Math.max(46, words.length * 8 + 12);
          return (
            <g
              data-part="mark"
              data-kind={mark.kind}
              key={`${mark.kind} ${mark.x} ${mark.y}`}
              transform={`translate(${mark.x * metre} ${mark.y * metre})`}
            >
              <rect x={-half} y="-26" width={half * 2} height="52" />
              <text y="7" textAnchor="middle">
                {words}
              </text>
            </g>
          );
        })}
      {stations.map((station) => {
        const place = places.get(station.id);
        return place ? <Table key={station.id} station={station} at={place} isMarked={station.id === marked} /> : null;
      })}
      {ways.map(({ key, from, to, bow, pickedAt }) => (
        <g data-part="way" key={key}>
          <path d={`M${from.x} ${from.y}Q${bow.x} ${bow.y} ${to.x} ${to.y}`} markerEnd="url(#room-arrow)" />
          {at && pickedAt >= 0 ? (
            <text x={from.x / 4 + bow.x / 2 + to.x / 4} y={from.y / 4 + bow.y / 2 + to.y / 4 - 6} textAnchor="middle">
              {at(pickedAt)}
            </text>
          ) : null}
        </g>
      ))}
    </RoomSvg>
  );
}
