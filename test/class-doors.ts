import type { Kysely } from "kysely";
import type { Participant } from "~/core/people";
import type { ClassInput } from "~/core/plan";
import type { DB } from "~/db/schema";
import { classOr404 } from "~/services/classes.server";
import { aClass, anAccount, programDatabase } from "./database";
import { type Answer, type Asked, type Door, ask, cookieOf } from "./doors";

interface At {
  readonly db: Kysely<DB>;
  /** The lead's account and the cookie it is signed in with. */
  readonly lead: string;
  readonly cookie: string;
  readonly classId: string;
}

/** A class on the program's own database, brought in anew before each test of the file, and its doors as its lead opens them. */
export function classWithDoors(input: ClassInput) {
  let at: At | undefined;
  const here = (): At => {
    if (!at) throw new Error("the class is there from the first test on");
    return at;
  };
  beforeAll(async () => {
    const db = await programDatabase();
    const lead = await anAccount(db);
    at = { db, lead, cookie: await cookieOf(lead), classId: "" };
  });
  afterAll(() => here().db.destroy());
  beforeEach(async () => {
    const { db, lead } = here();
    await db.deleteFrom("class").execute();
    at = { ...here(), classId: await aClass(db, input, lead) };
  });
  const stored = async (id = here().classId) => classOr404(id);
  return {
    get db() {
      return here().db;
    },
    get lead() {
      return here().lead;
    },
    get cookie() {
      return here().cookie;
    },
    get classId() {
      return here().classId;
    },
    stored,
    post: (door: Door, form: Asked["form"], params: Record<string, string> = {}): Promise<Answer> =>
      ask(door, here().cookie, { params: { classId: here().classId, ...params }, ...(form ? { form } : {}) }),
    personNamed: async (name: string): Promise<Participant> => {
      const found = (await stored()).input.people.find((one) => one.name === name);
      if (!found) throw new Error(`nobody is called ${name}`);
      return found;
    },
  };
}

/** Every sentence of an answer, wherever in it. */
export const said = (answer: Answer): string => JSON.stringify(answer.body);
