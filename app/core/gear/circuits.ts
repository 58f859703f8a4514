/** A circuit of the house: what one breaker or fuse feeds. */
export interface Circuit {
  readonly id: string;
  readonly name: string;
  readonly volts: number;
  /** What the breaker is rated for. */
  readonly amps: number;
  readonly sockets: number;
  /** The fuse in a plug, where plugs have one; null where they have none. */
  readonly plugAmps: number | null;
}

/** Something with a plug. */
export interface Appliance {
  readonly id: string;
  readonly name: string;
  readonly watts: number;
}

/** Share of the breaker that may be drawn for hours on end (general wiring practice; local electrical codes come first). */
export const continuousShare = 0.8;

/** Watts a circuit may carry for hours. 120 V at 15 A: 1,440 W. */
export const continuousWatts = ({ volts, amps }: Pick<Circuit, "volts" | "amps">): number =>
  Math.floor(volts * amps * continuousShare + 1e-9);

/**
 * Amperes an outlet may give for hours where nobody wrote down what it is rated for, by the voltage of the house (general wiring
 * practice: 15 A outlets at 100 and 120 V at 80 %; at 230 V 10 A, which Europe's 16 A outlets carry for hours and Australia's are
 * rated for; local electrical codes come first).
 */
export const outletAmps = (volts: number): number =>
  volts <= lowVolts ? outletRating(volts) * continuousShare : outletRating(volts);
/** Voltage up to which a house is wired for 100 to 120 V. */
const lowVolts = 130;
/** Amperes printed on an outlet where nobody looked. */
const outletRating = (volts: number): number => (volts <= lowVolts ? 15 : 10);

/** The most one socket of a circuit may give for hours: the least of breaker and plug or outlet. 230 V at 13 A: 2,990 W. */
export const plugWatts = (circuit: Circuit): number =>
  Math.min(
    continuousWatts(circuit),
    Math.floor(circuit.volts * (circuit.plugAmps ?? outletAmps(circuit.volts)) + 1e-9),
  );

/** What one appliance alone on a circuit may draw at most: all of the breaker, no more than its plug or outlet is rated for. */
export const aloneWatts = ({ volts, amps, plugAmps }: Circuit): number =>
  Math.floor(volts * Math.min(amps, plugAmps ?? outletRating(volts)) + 1e-9);

export interface PlugPlan {
  /** Which appliance goes on which circuit. */
  readonly plugged: readonly { readonly applianceId: string; readonly circuitId: string }[];
  /** What cannot be plugged in with all the rest, by id. */
  readonly left: readonly string[];
  /** Appliances that run alone on a circuit above what it should carry for hours: to be watched, and said. */
  readonly near: readonly string[];
  /** True when every way was gone through: no other way plugs in more of them, or as many with more watts. */
  readonly isProven: boolean;
}

/** Above this many different standings of the search the answer is the best found so far, and says so. */
const mostStandings = 400_000;

interface Kind {
  readonly watts: number;
  readonly ids: readonly string[];
}

interface Best {
  readonly count: number;
  readonly watts: number;
  /** How many of each kind go on this circuit. */
  readonly take: readonly number[];
}

/**
 * Who is plugged in where, so that no circuit carries more than it may for hours, no socket more than its plug, and no plug lacks
 * a socket: as many appliances as can be, of those ways one with the most watts in use. Appliances of equal power are alike, so
 * only how many of each kind go where is tried, circuit by circuit, and what is left over after a circuit is worked out once.
 */
export function plugInForHours(appliances: readonly Appliance[], circuits: readonly Circuit[]): PlugPlan {
  const kinds: Kind[] = [...new Set(appliances.map((one) => one.watts))]
    .sort((a, b) => b - a)
    .map((watts) => ({ watts, ids: appliances.filter((one) => one.watts === watts).map((one) => one.id) }));
  const known = new Map<string, Best>();
  let isProven = true;

  const better = (a: Pick<Best, "count" | "watts">, b: Pick<Best, "count" | "watts">) =>
    a.count > b.count || (a.count === b.count && a.watts > b.watts);

  const best = (at: number, left: readonly number[]): Best => {
    const circuit = circuits[at];
    const none = left.map(() => 0);
    if (!circuit) return { count: 0, watts: 0, take: none };
    const key = `${at} ${left.join(" ")}`;
    const before = known.get(key);
    if (before) return before;
    const [limit, plug] = [continuousWatts(circuit), plugWatts(circuit)];
    let found: Best | undefined;
    const take = [...none];
    const tryKind = (kindAt: number, watts: number, sockets: number): void => {
      const kind = kinds[kindAt];
      if (!kind) {
        const rest = best(
          at + 1,
          left.map((n, i) => n - (take[i] ?? 0)),
        );
        const here = take.reduce((sum, n) => sum + n, 0);
        const whole = { count: here + rest.count, watts: limit - watts + rest.watts, take: [...take] };
        if (!found || better(whole, found)) found = whole;
        return;
      }
      const fits = kind.watts > plug ? 0 : kind.watts > 0 ? Math.floor(watts / kind.watts + 1e-9) : sockets;
      for (let n = Math.min(left[kindAt] ?? 0, sockets, fits); n >= 0; n -= 1) {
        if (known.size > mostStandings && found) {
          isProven = false;
          break;
        }
        take[kindAt] = n;
        tryKind(kindAt + 1, watts - n * kind.watts, sockets - n);
      }
      take[kindAt] = 0;
    };
    tryKind(0, limit, circuit.sockets);
    const answer = found ?? { count: 0, watts: 0, take: none };
    known.set(key, answer);
    return answer;
  };

  let left = kinds.map((kind) => kind.ids.length);
  const next = kinds.map(() => 0);
  const plugged: { applianceId: string; circuitId: string }[] = [];
  circuits.forEach((circuit, at) => {
    const { take } = best(at, left);
    take.forEach((count, kindAt) => {
      for (let n = 0; n < count; n += 1) {
        const id = kinds[kindAt]?.ids[next[kindAt] ?? 0];
        next[kindAt] = (next[kindAt] ?? 0) + 1;
        if (id !== undefined) plugged.push({ applianceId: id, circuitId: circuit.id });
      }
    });
    left = left.map((n, i) => n - (take[i] ?? 0));
  });
  const isIn = new Set(plugged.map((one) => one.applianceId));
  return { plugged, left: appliances.filter((one) => !isIn.has(one.id)).map((one) => one.id), near: [], isProven };
}

/**
 * As {@link plugInForHours}; then what found no place goes alone on a circuit that nothing is plugged in on, where breaker and outlet
 * carry it at all: that is warned of, not refused.
 */
export function plugIn(appliances: readonly Appliance[], circuits: readonly Circuit[]): PlugPlan {
  const hours = plugInForHours(appliances, circuits);
  const free = circuits.filter(
    (circuit) => circuit.sockets > 0 && !hours.plugged.some((one) => one.circuitId === circuit.id),
  );
  const plugged = [...hours.plugged];
  const near: string[] = [];
  for (const applianceId of hours.left) {
    const watts = appliances.find((one) => one.id === applianceId)?.watts ?? 0;
    const at = free.findIndex((circuit) => watts <= aloneWatts(circuit));
    const [circuit] = at < 0 ? [] : free.splice(at, 1);
    if (!circuit) continue;
    plugged.push({ applianceId, circuitId: circuit.id });
    near.push(applianceId);
  }
  return { ...hours, plugged, near, left: hours.left.filter((id) => !near.includes(id)) };
}

/** Watts in use on each circuit, beside what it may carry. */
export const loadsOf = (plan: PlugPlan, appliances: readonly Appliance[], circuits: readonly Circuit[]) =>
  circuits.map((circuit) => {
    const on = plan.plugged.filter((one) => one.circuitId === circuit.id);
    return {
      circuit,
      appliances: on.flatMap(({ applianceId }) => appliances.filter((one) => one.id === applianceId)),
      watts: on.reduce((sum, one) => sum + (appliances.find((each) => each.id === one.applianceId)?.watts ?? 0), 0),
      limit: continuousWatts(circuit),
    };
  });
