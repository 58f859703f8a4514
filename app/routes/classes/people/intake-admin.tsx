import { RowButton } from "~/ui/parts/keys";
import { Alert, Box, Heading, Image, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { LinkText, MadeLink, SmallSelect } from "~/ui/parts/people";
import { ActionForm, StyledForm } from "~/ui/parts/forms";
import { data } from "react-router";
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
import { Hidden } from "~/ui/parts/plain";

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
      <SheetHead>
        <Heading as="h2" size="xl">
          Asking about allergies
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/people`}>The register</TextLink>
          <TextLink to="/outbox">Outbox</TextLink>
        </SheetTools>
      </SheetHead>
      {told.problem ? (
        <Alert.Root as="p" status="error" role="alert">
          {told.problem}
        </Alert.Root>
      ) : null}
      {told.done ? (
        <Alert.Root as="p" status="info" role="status">
          {told.done}
        </Alert.Root>
      ) : null}
      {told.made ? (
        <MadeLink role="status">
          <Image src={told.made.drawn} alt="The link as a code for phone cameras" boxSize="220px" />
          <Box>
            <Heading as="h3" size="lg">
              A link for this class
            </Heading>
            <LinkText>{told.made.address}</LinkText>
            <Text>
              It opens until {when(told.made.expires)} and shows nobody’s answers. It is shown this once: send it, or
              print this page for the board.
            </Text>
          </Box>
        </MadeLink>
      ) : null}
      {seconds.length > 0 ? (
        <Box as="section">
          <Heading as="h3" size="lg">
            Answered twice: compare
          </Heading>
          <Table.Root native>
            <Heads of={["Person", "First answer", "Second answer", "Which counts"]} />
            <tbody>
              {seconds.map((second) => {
                const person = input.people.find((one) => one.id === second.participantId);
                if (!person) return null;
                return (
                  <tr data-needs key={second.id}>
                    <td>{person.name}</td>
                    <td>
                      {needsInWords(person, locale) || "nothing to avoid"}
                      <div data-small data-quiet>
                        {person.answered?.by ?? ""}
                      </div>
                    </td>
                    <td>
                      {needsInWords({ ...person, ...second.answer }, locale) || "nothing to avoid"}
                      {second.answer.words ? <div>“{second.answer.words.text}”</div> : null}
                      <div data-small data-quiet>
                        {second.answer.answered?.by}, {when(second.at)}
                      </div>
                    </td>
                    <td>
                      <ActionForm method="post">
                        <Hidden name="answer" value={second.id} />
                        <Secondary name="intent" value="drop">
                          The first
                        </Secondary>
                        <Secondary name="intent" value="take">
                          The second
                        </Secondary>
                      </ActionForm>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </Table.Root>
        </Box>
      ) : null}
      <Columns split="even">
        <Box as="section">
          <Heading as="h3" size="lg">
            Not answered: {silent.length}
          </Heading>
          {silent.length === 0 ? (
            <Text color="fg.muted">Everybody on the register has answered.</Text>
          ) : (
            <Table.Root native>
              <tbody>
                {silent.map((person) => (
                  <tr key={person.id}>
                    <td>
                      <TextLink to={`${action}/people/${person.id}`}>{person.name}</TextLink>
                    </td>
                    <td>{meta.emails[person.id] ?? <span data-alert>no address: ask in person</span>}</td>
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          )}
          <ActionForm _print={{ display: "none" }} method="post">
            <Hidden name="days" value="7" />
            <Primary name="intent" value="remind" disabled={reachable.length === 0}>
              Write to {reachable.length === 1 ? "the one" : `the ${reachable.length}`} with an address
            </Primary>
          </ActionForm>
          <Text fontSize="sm" color="fg.muted">
            Each letter has a link of their own for seven days. Whoever was here before finds what they said then, to
            look over and send again.
          </Text>
        </Box>
        <Box as="section">
          <Heading as="h3" size="lg">
            Links
          </Heading>
          <ActionForm _print={{ display: "none" }} method="post">
            <label>
              A link for the whole class, good for{" "}
              <SmallSelect name="days" defaultValue="7">
                {[3, 7, 14, 30].map((one) => (
                  <option key={one} value={one}>
                    {one} days
                  </option>
                ))}
              </SmallSelect>
            </label>
            <Secondary name="intent" value="link">
              Make the link
            </Secondary>
          </ActionForm>
          {links.length > 0 ? (
            <Table.Root native>
              <Heads of={["For", "Made", "Opens until"]} />
              <tbody>
                {links.map((link) => {
                  const isOpen = link.revokedAt === null && new Date(link.expiresAt).getTime() > now;
                  return (
                    <tr key={link.hash}>
                      <td>{link.name ?? "the whole class"}</td>
                      <td data-small>
                        {when(link.createdAt)}
                        {link.by ? `, ${link.by}` : ""}
                      </td>
                      <td>
                        {link.revokedAt ? (
                          <span data-quiet>taken back</span>
                        ) : isOpen ? (
                          <StyledForm display="inline" method="post">
                            {when(link.expiresAt)} <Hidden name="hash" value={link.hash} />
                            <RowButton
                              _print={{ display: "none" }}

                              type="submit"

                              name="intent"
                              value="revoke"
                            >
                              take back
                            </RowButton>
                          </StyledForm>
                        ) : (
                          <span data-quiet>expired</span>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </Table.Root>
          ) : (
            <Text color="fg.muted">None made yet.</Text>
          )}
        </Box>
      </Columns>
    </>
  );
}
