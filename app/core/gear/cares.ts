import type { Appliance } from "./circuits";
import { plugIn } from "./circuits";
import type { GearFinding, Kitchen, Surface, SurfaceCare } from "./types";

/** What to mind about a surface, from what is known of it. An iron whose lamp nobody explained is said to be unexplained. */
export function caresOf(surface: Surface): SurfaceCare[] {
  const cares: SurfaceCare[] = [];
  if (surface.coating === "non-stick") cares.push("no-metal", "never-empty");
  if (surface.hasHotHandle) cares.push("hot-handle");
  if (surface.kind === "waffle-iron")
    cares.push(surface.lamp === "heating" ? "lamp-heating" : surface.lamp === "ready" ? "lamp-ready" : "lamp-unknown");
  return cares;
}

/**
 * Can washing clear a surface of what another food left on it? Not fixed plates and not seasoned iron: one of those is kept for it
 * (general allergen practice; heat removes no allergen).
 */
export const canBeCleared = (surface: Pick<Surface, "kind" | "coating">): boolean =>
  surface.kind !== "waffle-iron" && surface.coating !== "seasoned" && surface.kind !== "cast-iron-pan";

/** Each thing with a plug among the surfaces used: one entry for every one of them. */
export const appliancesOf = (
  kitchen: Kitchen,
  units: readonly { readonly id: string; readonly surfaceId: string; readonly name: string; readonly number: number }[],
): Appliance[] =>
  units.flatMap((unit) => {
    const surface = kitchen.surfaces.find((one) => one.id === unit.surfaceId);
    return surface && surface.watts > 0
      ? [{ id: unit.id, name: `${unit.name} ${unit.number}`, watts: surface.watts }]
      : [];
  });

/** Whether everything that is to be hot at once may be plugged in at once, and what to mind of the surfaces used. */
export function checkKitchen(
  kitchen: Kitchen,
  units: readonly { readonly id: string; readonly surfaceId: string; readonly name: string; readonly number: number }[],
): GearFinding[] {
  const appliances = appliancesOf(kitchen, units);
  const watts = appliances.reduce((sum, one) => sum + one.watts, 0);
  const findings: GearFinding[] = [];
  if (appliances.length > 0 && kitchen.circuits === undefined)
    findings.push({ code: "circuits-not-known", level: "notes", watts });
  if (kitchen.circuits !== undefined) {
    const { left, near, isProven } = plugIn(appliances, kitchen.circuits);
    if (near.length > 0)
      findings.push({
        code: "circuit-near-limit",
        level: "warns",
        appliances: appliances.filter((one) => near.includes(one.id)).map((one) => one.name),
      });
    if (left.length > 0)
      findings.push({
        code: "circuits-short",
        level: "blocks",
        left: appliances.filter((one) => left.includes(one.id)).map((one) => one.name),
        watts,
        isProven,
      });
  }
  const used = new Set(units.map((unit) => unit.surfaceId));
  for (const surface of kitchen.surfaces) {
    const cares = used.has(surface.id) ? caresOf(surface) : [];
    if (cares.length > 0) findings.push({ code: "surface-care", level: "notes", surface: surface.name, cares });
  }
  return findings;
}
