import path from "node:path";
import { Worker } from "node:worker_threads";
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
/** Pictures that may wait for the thread: more at once are sent away with a sentence. */
const mostWaiting = 8;

let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** Decoded and written anew in a thread of its own; undefined where the picture is broken, too large for it or takes too long. */
function writtenAnew(bytes: Uint8Array, head: PhotoHead): Promise<Buffer | undefined> {
  return new Promise((resolve) => {
    const worker = new Worker(path.resolve("server/photo-worker.mjs"), {
      workerData: { bytes, kind: head.kind, orientation: head.orientation, edge, mostMegapixels: mostPixels / 1e6 },
      resourceLimits: { maxOldGenerationSizeMb: 256 },
      // Neither the loaders that tests run under nor what the server was started with are for this thread.
      execArgv: [],
    });
    const timer = setTimeout(() => void worker.terminate(), mostMilliseconds);
    worker.once("message", (made: Uint8Array) => resolve(Buffer.from(made)));
    worker.once("error", () => resolve(undefined));
    worker.once("exit", () => {
      clearTimeout(timer);
      resolve(undefined);
    });
  });
}

/**
 * A picture from a form: by its first bytes, whatever it calls itself, written anew so that place and camera stay behind. One at a time,
 * as each takes a processor and its memory. Undefined when none was sent.
 */
export async function photoFrom(sent: FormDataEntryValue | null): Promise<Photo | "refused" | undefined> {
  if (!(sent instanceof File) || sent.size === 0) return undefined;
  if (sent.size > mostBytes || waiting >= mostWaiting) return "refused";
  const bytes = new Uint8Array(await sent.arrayBuffer());
  const head = photoHead(bytes);
  if (!head) return "refused";
  waiting += 1;
  const mine = last.then(() => writtenAnew(bytes, head));
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
