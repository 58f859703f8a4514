import { Form, data } from "react-router";
import QRCode from "qrcode";
import { z } from "zod";
import type { Route } from "./+types/intake-admin";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { database } from "~/db/client.server";
import { outbox } from "~/devices/mail.server";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { linksOf, makeLinks, revokeLinks, secondAnswers, settleSecond } from "~/services/intake.server";
import { isPastRemoval } from "~/services/privacy.server";
import { requireLead } from "~/services/session.server";
import { dayAndTime, moment } from "~/ui/format/format";
import { Primary, Secondary, TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { needsInWords } from "~/ui/people/needs";
import { reminderLetter } from "~/ui/words/letters";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden, PlainButton, PlainSelect } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

export async function loader({ params, context }: Route.LoaderArgs) {
  requireLead(context);
  await classOnce(context, params.classId);
  const [links, seconds] = await Promise.all([
    linksOf(database(), params.classId),
    secondAnswers(database(), params.classId),
  ]);
  return { links, seconds, now: Date.now() };
}

const days = z.coerce.number().pipe(z.int().min(1).max(90));
const schema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("link"), days }),
  z.object({ intent: z.literal("revoke"), hash: z.string().length(64) }),
  z.object({ intent: z.literal("remind"), days }),
  z.object({ intent: z.literal("take"), answer: z.uuid() }),
  z.object({ intent: z.literal("drop"), answer: z.uuid() }),
]);

export async function action({ request, params, context }: Route.ActionArgs) {
  const account = requireLead(context);
  const { input, meta } = await classOr404(params.classId);
  const form = schema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    return data(
      { problem: "This was not understood: choose a number of days from 1 to 90 and try again." },
      { status: 400 },
    );
  if (["link", "remind"].includes(form.data.intent) && isPastRemoval(input, meta.retainDays))
    return data(
      {
        problem:
          "No link was made: the day on which this class’s answers are removed has passed, and no more are taken in. Keep them for longer under “What is kept of people”, then make a link.",
      },
      { status: 409 },
    );
  const db = database();
  const addressOf = (token: string) => `${new URL(request.url).origin}/intake/${token}`;
  switch (form.data.intent) {
    case "link": {
      const { tokens, expires } = await makeLinks(db, params.classId, [null], form.data.days, account.id);
      await audit(account.id, params.classId, "made an intake link");
      const address = addressOf(tokens[0] ?? "");
      const drawn = await QRCode.toString(address, { type: "svg", margin: 2 });
      return data({ made: { address, expires, drawn: `data:image/svg+xml;utf8,${encodeURIComponent(drawn)}` } });
    }
    case "revoke":
      await revokeLinks(db, params.classId, form.data.hash);
      return data({ done: "The link opens nothing any more." });
    case "remind": {
      const silent = input.people.flatMap((person) => {
        const to = meta.emails[person.id];
        return !person.hasAnswered && to ? [{ person, to }] : [];
      });
      const { tokens, expires } = await makeLinks(
        db,
        params.classId,
        silent.map(({ person }) => person.id),
        form.data.days,
        account.id,
      );
      await outbox(db).send(
        silent.map(({ person, to }, index) => ({
          classId: params.classId,
          to,
          ...reminderLetter({
            name: person.name,
            title: input.title,
            when: dayAndTime(input.startsAt, input.timeZone, "en-GB"),
            place: input.kitchen.name,
            from: account.name,
            address: addressOf(tokens[index] ?? ""),
            until: moment(expires, "en-GB", input.timeZone),
          }),
        })),
      );
      await audit(account.id, params.classId, `reminded ${silent.length} people`);
      return data({ done: `${silent.length} ${silent.length === 1 ? "letter is" : "letters are"} in the outbox.` });
    }
    default: {
      const isTaken = form.data.intent === "take";
      const isThere = await settleSecond(db, params.classId, form.data.answer, isTaken, account.id);
      await audit(
        account.id,
        params.classId,
        isTaken ? "took the second of two answers" : "kept the first of two answers",
      );
      return data({ done: isThere ? "Compared and settled." : "Somebody settled this one meanwhile." });
    }
  }
}

interface Told {
  readonly problem?: string;
  readonly done?: string;
  readonly made?: { readonly address: string; readonly expires: Date; readonly drawn: string };
}

export default function IntakeAdmin({ loaderData, actionData }: Route.ComponentProps) {
  const { input, meta, action } = useClass();
  const { links, seconds, now } = loaderData;
  const locale = useLocale();
  const silent = input.people.filter((person) => !person.hasAnswered);
  const reachable = silent.filter((person) => meta.emails[person.id]);
  const told: Told = actionData ?? {};
  const when = (date: Date) => moment(date, locale, input.timeZone);
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Asking about allergies</h2>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/people`}>The register</TextLink>
          <TextLink to="/outbox">Outbox</TextLink>
        </div>
      </div>
      {told.problem ? (
        <p className={look("form-error")} role="alert">
          {told.problem}
        </p>
      ) : null}
      {told.done ? (
        <p className={look("saved")} role="status">
          {told.done}
        </p>
      ) : null}
      {told.made ? (
        <section className={look("made-link")} role="status">
          <img src={told.made.drawn} alt="The link as a code for phone cameras" width={220} height={220} />
          <div>
            <h3>A link for this class</h3>
            <p className={look("link-text")}>{told.made.address}</p>
            <p>
              It opens until {when(told.made.expires)} and shows nobody’s answers. It is shown this once: send it, or
              print this page for the board.
            </p>
          </div>
        </section>
      ) : null}
      {seconds.length > 0 ? (
        <section>
          <h3>Answered twice: compare</h3>
          <table className={look("ruled")}>
            <Heads of={["Person", "First answer", "Second answer", "Which counts"]} />
            <tbody>
              {seconds.map((second) => {
                const person = input.people.find((one) => one.id === second.participantId);
                if (!person) return null;
                return (
                  <tr key={second.id} className={look("needs")}>
                    <td>{person.name}</td>
                    <td>
                      {needsInWords(person, locale) || "nothing to avoid"}
                      <div className={look("small", "quiet")}>{person.answered?.by ?? ""}</div>
                    </td>
                    <td>
                      {needsInWords({ ...person, ...second.answer }, locale) || "nothing to avoid"}
                      {second.answer.words ? <div>“{second.answer.words.text}”</div> : null}
                      <div className={look("small", "quiet")}>
                        {second.answer.answered?.by}, {when(second.at)}
                      </div>
                    </td>
                    <td>
                      <Form method="post" className={look("actions")}>
                        <Hidden name="answer" value={second.id} />
                        <Secondary name="intent" value="drop">
                          The first
                        </Secondary>
                        <Secondary name="intent" value="take">
                          The second
                        </Secondary>
                      </Form>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      ) : null}
      <div className={parts.sheet.of({ split: "even" }).columns}>
        <section>
          <h3>Not answered: {silent.length}</h3>
          {silent.length === 0 ? (
            <p className={look("quiet")}>Everybody on the register has answered.</p>
          ) : (
            <table className={look("ruled")}>
              <tbody>
                {silent.map((person) => (
                  <tr key={person.id}>
                    <td>
                      <TextLink to={`${action}/people/${person.id}`}>{person.name}</TextLink>
                    </td>
                    <td>
                      {meta.emails[person.id] ?? <span className={look("needs-you")}>no address: ask in person</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <Form method="post" className={look("actions", "no-print")}>
            <Hidden name="days" value="7" />
            <Primary name="intent" value="remind" disabled={reachable.length === 0}>
              Write to {reachable.length === 1 ? "the one" : `the ${reachable.length}`} with an address
            </Primary>
          </Form>
          <p className={look("small", "quiet")}>
            Each letter has a link of their own for seven days. Whoever was here before finds what they said then, to
            look over and send again.
          </p>
        </section>
        <section>
          <h3>Links</h3>
          <Form method="post" className={look("actions", "no-print")}>
            <label>
              A link for the whole class, good for{" "}
              <PlainSelect name="days" defaultValue="7" className={look("plain-select")}>
                {[3, 7, 14, 30].map((one) => (
                  <option key={one} value={one}>
                    {one} days
                  </option>
                ))}
              </PlainSelect>
            </label>
            <Secondary name="intent" value="link">
              Make the link
            </Secondary>
          </Form>
          {links.length > 0 ? (
            <table className={look("ruled")}>
              <Heads of={["For", "Made", "Opens until"]} />
              <tbody>
                {links.map((link) => {
                  const isOpen = link.revokedAt === null && new Date(link.expiresAt).getTime() > now;
                  return (
                    <tr key={link.hash}>
                      <td>{link.name ?? "the whole class"}</td>
                      <td className={look("small")}>
                        {when(link.createdAt)}
                        {link.by ? `, ${link.by}` : ""}
                      </td>
                      <td>
                        {link.revokedAt ? (
                          <span className={look("quiet")}>taken back</span>
                        ) : isOpen ? (
                          <Form method="post" className={look("inline")}>
                            {when(link.expiresAt)} <Hidden name="hash" value={link.hash} />
                            <PlainButton
                              type="submit"
                              className={look("row-button", "no-print")}
                              name="intent"
                              value="revoke"
                            >
                              take back
                            </PlainButton>
                          </Form>
                        ) : (
                          <span className={look("quiet")}>expired</span>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          ) : (
            <p className={look("quiet")}>None made yet.</p>
          )}
        </section>
      </div>
    </>
  );
}
