import { type SurfaceId } from "~/core/ids";
import { z } from "zod";
import { starterPantry } from "~/core/pantry";
import { type Amount, type Ratio, isVolumeUnit, isMassUnit, readRatio, units, type Minutes } from "~/core/quantity";

/** What the schemas of files are made of: names, amounts as text, spans of minutes. */

export const keysOf = <K extends string>(record: Record<K, unknown>) => Object.keys(record) as [K, ...K[]];
export const id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, "expected letters, digits, dots or dashes, at most 64");
/** Ids whose kind is known by the field they are in: nothing changes in what is read. */
export const surfaceId = id as unknown as z.ZodType<SurfaceId, string>;
export const name = z.string().trim().min(1, "expected a name").max(120, "expected at most 120 characters");
export const text = z.string().max(2000, "expected at most 2000 characters").default("");
export const percent = z.number().min(0).max(100);
/**
 * A number whose unit is known by the field it is in: from the schema on its type says so. Nothing changes in what is read.
 * @example measured<Minutes>(z.int().min(0).max(120))
 */
export const measured = <M extends number>(schema: z.ZodNumber): z.ZodType<M, number> =>
  schema as unknown as z.ZodType<M, number>;
export const minutes = measured<Minutes>(z.number().min(0).max(600));

export const isUnique =
  (field: "id" | "ingredientId" | "tool" | "lineId" | "surfaceKind" | "roundId" | "station" | "thing") =>
  (items: readonly object[]) =>
    new Set(items.map((item) => Reflect.get(item, field))).size === items.length;

export const starterById = new Map(starterPantry.map((one) => [one.id, one]));

export const fraction = z
  .string()
  .max(40)
  .transform((value, context): Ratio => {
    const read = readRatio(value);
    if (read && read.num >= 0n) return read;
    context.addIssue({
      code: "custom",
      message: `expected a number such as "3", "3/4", "1 1/2" or "2.5", got "${value}"`,
    });
    return z.NEVER;
  });

export const amount = z
  .string()
  .max(60)
  .transform((value, context): Amount => {
    const cut = value.trim().lastIndexOf(" ");
    const [number, unitName] = [value.trim().slice(0, cut), value.trim().slice(cut + 1)];
    const unit = units.find((one) => one === unitName);
    const read = cut > 0 ? readRatio(number) : undefined;
    if (unit && read && read.num > 0n && (isVolumeUnit(unit) || isMassUnit(unit) || unit === "piece"))
      return { value: read, unit };
    context.addIssue({
      code: "custom",
      message: `expected a number above 0 and a unit (${units.join(", ")}), such as "1 1/4 cup", got "${value}"`,
    });
    return z.NEVER;
  });

export const lineAmount = z
  .discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("exact"), amount }),
    z.strictObject({ kind: z.literal("range"), from: amount, to: amount }),
    z.strictObject({ kind: z.literal("top-up"), start: amount, most: amount }),
    z.strictObject({ kind: z.literal("hold-back"), amount, back: amount }),
    z.strictObject({
      kind: z.literal("packs"),
      packs: fraction.refine((value) => value.num > 0n, "expected more than 0 packs"),
      each: amount,
      packName: z.string().trim().min(1).max(30),
    }),
    z.strictObject({
      kind: z.literal("per-load"),
      amount,
      every: z
        .union([z.literal("first"), z.int().min(2).max(20)])
        .optional()
        .describe("which loads of a surface: left out, each; first, its first only; n, the first and every nth after"),
    }),
    z.strictObject({ kind: z.literal("per-piece"), amount }),
    z.strictObject({ kind: z.literal("per-serving"), amount }),
    z.strictObject({
      kind: z.literal("per-person"),
      amount,
      takes: fraction
        .refine((value) => value.num > 0n && value.num <= value.den, "expected a share above 0 and at most 1")
        .optional()
        .describe("share of the people who take any; left out, all"),
    }),
    z.strictObject({ kind: z.literal("to-taste") }),
    z.strictObject({ kind: z.literal("unknown"), said: z.string().max(200) }),
  ])
  .superRefine((value, context) => {
    const pairs =
      value.kind === "range"
        ? [value.from, value.to]
        : value.kind === "top-up"
          ? [value.start, value.most]
          : value.kind === "hold-back"
            ? [value.back, value.amount]
            : [];
    const [less, more] = pairs;
    if (!less || !more) return;
    if (less.unit !== more.unit)
      context.addIssue({ code: "custom", message: `expected the same unit twice, got ${less.unit} and ${more.unit}` });
    else if (less.value.num * more.value.den > more.value.num * less.value.den)
      context.addIssue({ code: "custom", message: "expected the smaller amount first" });
  });

export const span = z
  .strictObject({ low: minutes, likely: minutes, high: minutes })
  .refine((value) => value.low <= value.likely && value.likely <= value.high, "expected low ≤ likely ≤ high");
