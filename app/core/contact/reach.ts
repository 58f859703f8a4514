/**
 * Reachability over time: what a thing or a station has touched, and through what. Residue passes both ways wherever two touch, stays
 * until the thing is cleaned, and passes on at every later touch; a chain of touches counts only in the order in which they happen.
 */

/** A station's food and tools on a shared thing, from `start` until before `end`, in minutes since the doors. */
export interface Touch {
  readonly station: string;
  readonly thing: string;
  readonly start: number;
  readonly end: number;
}

/** A thing made clean: nothing that was on it before reaches anybody after. */
export interface Cleaning {
  readonly thing: string;
  readonly at: number;
}

/** One leg of a path: left on `thing` by `from` at `leftAt`, picked up from it by `to` at `pickedAt`. */
export interface Leg {
  readonly from: string;
  readonly thing: string;
  readonly leftAt: number;
  readonly to: string;
  readonly pickedAt: number;
}

/** Stations and things by number. */
type Node = number;

interface Arrival {
  /** Where it came from; undefined for a station's own food. */
  readonly from: { readonly node: Node; readonly arrival: Arrival } | undefined;
  readonly at: number;
}

interface Edge {
  readonly station: Node;
  readonly thing: Node;
  readonly end: number;
  /** Waiting to be looked at: once is enough. */
  isWaiting: boolean;
}

/** The legs that brought something, first leg first; worked out when they are asked for. */
export type Way = () => readonly Leg[];

/** What reached a station from others: for each trace that is not its own, the way it came first. */
export interface Reached {
  of(station: string): ReadonlyMap<string, Way>;
}

/**
 * @param own the traces in each station's own food; a trace is any text that names what is carried.
 * @returns for any station the traces that are not its own and reach it, each with its path in order of time.
 */
export function reach(
  own: ReadonlyMap<string, ReadonlySet<string>>,
  touches: readonly Touch[],
  cleanings: readonly Cleaning[],
): Reached {
  const names: string[] = [];
  const stationNodes = new Map<string, Node>();
  const thingNodes = new Map<string, Node>();
  const nodeIn = (nodes: Map<string, Node>, name: string): Node => {
    const known = nodes.get(name);
    if (known !== undefined) return known;
    nodes.set(name, names.length);
    return names.push(name) - 1;
  };
  const starts = touches
    .filter((touch) => touch.end > touch.start)
    .map(({ station, thing, start, end }): Edge & { readonly start: number } => ({
      station: nodeIn(stationNodes, station),
      thing: nodeIn(thingNodes, thing),
      start,
      end,
      isWaiting: false,
    }))
    .sort((a, b) => a.start - b.start);
  for (const station of own.keys()) nodeIn(stationNodes, station);

  // Traces by number, and what a node carries as bits: most touches move nothing new, and that is seen at a glance.
  const traces = [...new Set([...own.values()].flatMap((all) => [...all]))];
  const numberOf = new Map(traces.map((trace, index) => [trace, index]));
  const words = Math.ceil(traces.length / 32);
  const bits = new Int32Array(names.length * words);
  const arrivals = names.map(() => new Map<number, Arrival>());
  const open: Edge[][] = names.map(() => []);
  for (const [station, all] of own) {
    const node = stationNodes.get(station) ?? 0;
    for (const trace of all) {
      const number = numberOf.get(trace) ?? 0;
      const word = node * words + (number >> 5);
      bits[word] = (bits[word] ?? 0) | (1 << (number & 31));
      arrivals[node]?.set(number, { from: undefined, at: -Infinity });
    }
  }

  /** Moves what `from` carries and `to` does not; true when anything moved. */
  const pass = (from: Node, to: Node, now: number): boolean => {
    let isMoved = false;
    for (let word = 0; word < words; word += 1) {
      let fresh = (bits[from * words + word] ?? 0) & ~(bits[to * words + word] ?? 0);
      if (fresh === 0) continue;
      isMoved = true;
      bits[to * words + word] = (bits[to * words + word] ?? 0) | fresh;
      for (; fresh !== 0; fresh &= fresh - 1) {
        const number = word * 32 + 31 - Math.clz32(fresh & -fresh);
        const arrival = arrivals[from]?.get(number);
        if (arrival) arrivals[to]?.set(number, { from: { node: from, arrival }, at: now });
      }
    }
    return isMoved;
  };

  const washes = [...cleanings].sort((a, b) => a.at - b.at);
  for (let start = 0, wash = 0; start < starts.length;) {
    const now = Math.min(starts[start]?.start ?? Infinity, washes[wash]?.at ?? Infinity);
    const queue: Edge[] = [];
    const look = (edge: Edge) => {
      if (edge.isWaiting) return;
      edge.isWaiting = true;
      queue.push(edge);
    };
    /** Every touch of a node that still goes on; those that have ended are forgotten on the way. */
    const lookAround = (node: Node) => {
      const going = (open[node] ?? []).filter((edge) => edge.end > now);
      open[node] = going;
      going.forEach(look);
    };
    for (let next = washes[wash]; next?.at === now; next = washes[(wash += 1)]) {
      const node = thingNodes.get(next.thing);
      if (node === undefined) continue;
      bits.fill(0, node * words, (node + 1) * words);
      arrivals[node]?.clear();
      // Who is still at it while it is wiped leaves the same on it again.
      lookAround(node);
    }
    for (let edge = starts[start]; edge?.start === now; edge = starts[(start += 1)]) {
      open[edge.station]?.push(edge);
      open[edge.thing]?.push(edge);
      look(edge);
    }
    for (let index = 0; index < queue.length; index += 1) {
      const edge = queue[index];
      if (!edge) break;
      edge.isWaiting = false;
      const [toThing, toStation] = [pass(edge.station, edge.thing, now), pass(edge.thing, edge.station, now)];
      if (toThing) lookAround(edge.thing);
      if (toStation) lookAround(edge.station);
    }
  }

  const asked = new Map<string, ReadonlyMap<string, Way>>();
  return {
    of(station) {
      const before = asked.get(station);
      if (before) return before;
      const found = new Map<string, Way>();
      const node = stationNodes.get(station);
      if (node !== undefined)
        for (const [number, arrival] of arrivals[node] ?? [])
          if (arrival.from !== undefined) found.set(traces[number] ?? "", () => pathOf(node, arrival, names));
      asked.set(station, found);
      return found;
    },
  };
}

/** The legs that brought something to a station, first leg first. Stations and things alternate along it. */
function pathOf(node: Node, arrival: Arrival, names: readonly string[]): Leg[] {
  const nameOf = (one: Node) => names[one] ?? "";
  const legs: Leg[] = [];
  let to = { node, arrival };
  while (to.arrival.from?.arrival.from) {
    const thing = to.arrival.from;
    const from = to.arrival.from.arrival.from;
    legs.unshift({
      from: nameOf(from.node),
      thing: nameOf(thing.node),
      leftAt: thing.arrival.at,
      to: nameOf(to.node),
      pickedAt: to.arrival.at,
    });
    to = from;
  }
  return legs;
}
