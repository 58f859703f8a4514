import { spawn } from "node:child_process";
import path from "node:path";
import { database } from "~/db/client.server";
import { type PhotoHead, mostPixels, photoHead } from "~/formats/photo";

export interface Photo {
  readonly kind: PhotoHead["kind"];
  readonly bytes: Buffer;
}

const mostBytes = 1_500_000;
/** Pixels of the longer edge that a label is still read at. */
const edge = 2000;
/** What a picture takes is a second or two; one that takes this long was made to. */
const mostMilliseconds = 20_000;
/** Pictures that may wait their turn: more at once are sent away with a sentence. */
const mostWaiting = 8;
/** Memory limit of the decoding process, in megabytes: twice what the largest accepted picture needs. */
const mostMegabytes = 1024;
const script = path.resolve("server/photo-process.mjs");

let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** Decoded and written anew in a process of its own; undefined where the picture is broken, or takes too much memory or time. */
function writtenAnew(
  bytes: Uint8Array,
  { kind, orientation }: PhotoHead,
  megabytes: number,
): Promise<Buffer | undefined> {
  const asked = JSON.stringify({ kind, orientation, edge, mostMegapixels: mostPixels / 1e6 });
  return new Promise((resolve) => {
    // The limit is the system's, on all memory that the process writes to: what a decoder takes outside JavaScript's own heap counts, too.
    const child = spawn(
      "/bin/sh",
      ["-c", 'ulimit -d "$1" && exec "$2" "$3" "$4"', "sh", String(megabytes * 1024), process.execPath, script, asked],
      // Nothing that the server was started with is for this process.
      { stdio: ["pipe", "pipe", "ignore"], env: {}, timeout: mostMilliseconds, killSignal: "SIGKILL" },
    );
    const parts: Buffer[] = [];
    child.stdout.on("data", (part: Buffer) => parts.push(part));
    // It may end before it has read everything.
    child.stdin.on("error", () => undefined);
    child.once("error", () => resolve(undefined));
    child.once("close", (code) => resolve(code === 0 && parts.length > 0 ? Buffer.concat(parts) : undefined));
    child.stdin.end(bytes);
  });
}

/**
 * A picture from a form: by its first bytes, whatever it calls itself, written anew so that place and camera stay behind. One at a time,
 * as each takes a processor and its memory. Undefined when none was sent.
 */
export async function photoFrom(
  sent: FormDataEntryValue | null,
  megabytes = mostMegabytes,
): Promise<Photo | "refused" | undefined> {
  if (!(sent instanceof File) || sent.size === 0) return undefined;
  if (sent.size > mostBytes || waiting >= mostWaiting) return "refused";
  const bytes = new Uint8Array(await sent.arrayBuffer());
  const head = photoHead(bytes);
  if (!head) return "refused";
  waiting += 1;
  const mine = last.then(() => writtenAnew(bytes, head, megabytes));
  last = mine;
  const made = await mine;
  waiting -= 1;
  return made && made.length <= 2 * mostBytes ? { kind: head.kind, bytes: made } : "refused";
}

export const photoOf = async (classId: string, ingredientId: string) =>
  database()
    .selectFrom("label_photo")
    .select(["kind", "bytes"])
    .where("class_id", "=", classId)
    .where("ingredient_id", "=", ingredientId)
    .executeTakeFirst();
