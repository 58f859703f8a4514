import { type Channel, keep, waiting } from "./outbox";

const channel = (me: string): Channel => ({ key: "class", address: "/classes/class/events", news: "events", me });
const event = (kind: string) => ({ id: crypto.randomUUID(), at: 1, kind });

test("a note that was not sent waits for whoever wrote it; a bell that was rung goes with whoever comes", async () => {
  const [note, bell] = [event("note-added"), event("bell-rung")];
  await keep(channel("marit"), note);
  await keep(channel("marit"), bell);
  expect(await waiting(channel("marit"))).toEqual([note, bell]);
  expect(await waiting(channel("tobin"))).toEqual([bell]);
});
