import { database } from "~/db/client.server";
import { bareJpeg, barePng } from "~/formats/photo";

export interface Photo {
  readonly kind: "image/jpeg" | "image/png";
  readonly bytes: Buffer;
}

const mostBytes = 1_500_000;
const beginnings: readonly (readonly [Photo["kind"], readonly number[]])[] = [
  ["image/jpeg", [0xff, 0xd8, 0xff]],
  ["image/png", [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]],
];

/** A picture from a form: by its first bytes, whatever it calls itself, without place and camera. Undefined when none was sent. */
export async function photoFrom(sent: FormDataEntryValue | null): Promise<Photo | "refused" | undefined> {
  if (!(sent instanceof File) || sent.size === 0) return undefined;
  if (sent.size > mostBytes) return "refused";
  const bytes = Buffer.from(await sent.arrayBuffer());
  const kind = beginnings.find(([, start]) => start.every((byte, index) => bytes[index] === byte))?.[0];
  const bare = kind === "image/jpeg" ? bareJpeg(bytes) : kind === "image/png" ? barePng(bytes) : undefined;
  return kind && bare ? { kind, bytes: Buffer.from(bare) } : "refused";
}

export const photoOf = async (classId: string, ingredientId: string) =>
  database()
    .selectFrom("label_photo")
    .select(["kind", "bytes"])
    .where("class_id", "=", classId)
    .where("ingredient_id", "=", ingredientId)
    .executeTakeFirst();
