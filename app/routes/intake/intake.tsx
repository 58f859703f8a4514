import { Alert, Box, HStack, Heading, Link, Text } from "@chakra-ui/react";
import { Page, TopBar } from "~/ui/parts/frame";
import { GridForm } from "~/ui/parts/forms";
import { type SubmissionResult, getFormProps, useForm } from "@conform-to/react";
import { today } from "@internationalized/date";
import { data, redirect } from "react-router";
import type { z } from "zod";
import type { Route } from "./+types/intake";
import { answersOf, emptyPerson, intakeSchema, mostPeople, typedOf, valuesOf } from "./intake-form";
import { formOf, submissionOf } from "../form";
import { type Regime, regimes } from "~/core/allergen";
import type { Substance } from "~/core/pantry";
import { database } from "~/db/client.server";
import { invitationOf, lastAnswer, openLink, takeAnswers } from "~/services/intake.server";
import { mayPost } from "~/services/limits.server";
import { addressContext } from "~/services/request.server";
import { dayAndTime } from "~/ui/format/format";
import { PersonBlock } from "~/ui/intake/PersonBlock";
import { FormError, Primary, Secondary, TextField } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { Mark } from "~/ui/sheet/Mark";

/** The link, or the page that says that there is none. @throws 404 for a link that opens nothing, 429 for too many guesses. */
async function linkBehind(token: string, address: string) {
  const opened = await openLink(database(), token, address);
  if ("link" in opened) return opened.link;
  if ("waitSeconds" in opened)
    throw data(`Too many links that open nothing came from here. Wait ${opened.waitSeconds} seconds, then try again.`, {
      status: 429,
      headers: { "Retry-After": String(opened.waitSeconds) },
    });
  throw data(
    "This link opens nothing. It may have expired, or been taken back, or a letter is missing. Ask whoever sent it for a new one.",
    { status: 404 },
  );
}

const none: readonly string[] = [];

// The token is in the address: it goes to no other site, but this one must know its own forms when there is no script.
export const headers = () => ({ "Cache-Control": "no-store", "Referrer-Policy": "same-origin" });

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const link = await linkBehind(params.token, context.get(addressContext));
  const [invitation, last] = await Promise.all([
    invitationOf(database(), link.classId),
    link.participantId === null ? undefined : lastAnswer(database(), link.classId, link.participantId),
  ]);
  const isDone = new URL(request.url).searchParams.has("thanks");
  return {
    invitation,
    isDone,
    isOwn: link.participantId !== null,
    // Behind the link of a whole class nobody's answers are shown, and after answering not even one's own.
    own:
      last && !isDone
        ? { values: valuesOf(last.person), isFromBefore: last.isFromBefore, hasAnswered: last.person.hasAnswered }
        : undefined,
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const address = context.get(addressContext);
  const link = await linkBehind(params.token, address);
  const form = await formOf(request);
  const submission = submissionOf(form, { schema: intakeSchema });
  const typed = typedOf(submission.payload);
  if (form.get("intent") === "another" && link.participantId === null)
    return data({
      typed: { ...typed, people: [...typed.people, emptyPerson()].slice(0, mostPeople) },
      error: {},
      again: none,
    });
  const answer = (reply: SubmissionResult, status: number) =>
    data({ typed, error: reply.error ?? {}, again: none }, { status });
  if (submission.status !== "success") return answer(submission.reply(), 400);
  const refuse = (sentence: string, status: number) => answer(submission.reply({ formErrors: [sentence] }), status);
  if (link.participantId !== null && submission.value.people.length > 1)
    return refuse("This link is for one person. Answer for others through the link of the class.", 400);
  if (!(await mayPost(address)))
    return refuse("Many answers came from here at once. Wait a few minutes, then send again.", 429);
  const { timeZone } = await invitationOf(database(), link.classId);
  const taken = await takeAnswers(
    database(),
    link,
    answersOf(submission.value, today(timeZone).toString()),
    form.get("again") === "yes",
  );
  switch (taken.kind) {
    case "taken":
      return redirect(`/intake/${params.token}?thanks`);
    case "full":
      return refuse("The list of this class is full. Tell the instructor, who can make room.", 409);
    case "over":
      return refuse(
        "Nothing was written down: the day on which this class’s answers are removed has passed. Tell the instructor in person.",
        409,
      );
    case "waiting":
      return refuse(
        `Several answers for ${taken.names.join(", ")} wait to be compared by the instructor already. Tell them in person what has changed.`,
        409,
      );
    case "again":
      return data({ typed, error: {}, again: taken.names }, { status: 409 });
  }
}

export default function Intake({ loaderData, actionData }: Route.ComponentProps) {
  const { invitation, isDone, isOwn, own } = loaderData;
  const locale = useLocale();
  const values = actionData?.typed ?? { by: "", people: [own?.values ?? emptyPerson()] };
  return (
    <Page isNarrow id="content">
      <title>Allergies and diet · {invitation.title}</title>
      <TopBar isPlain>
        <Mark />
      </TopBar>
      <Heading as="h1" size="2xl" mt="3.5" mb="1.5">
        {invitation.title}
      </Heading>
      <Text color="fg.muted">
        {dayAndTime(invitation.startsAt, invitation.timeZone, locale)}, {invitation.kitchen}
      </Text>
      {isDone ? (
        <Box as="section" role="status">
          <Heading as="h2" size="xl" mt="6">
            Thank you. It is written down.
          </Heading>
          <Text>
            The instructor sees it, and nobody else who was invited. If anything changes before the day, open this link
            again and answer anew.
          </Text>
          <Text>
            On the day, bring rescue medicine and the emergency plan with you, and tell the instructor in person. You
            and your own clinician know best what can be eaten.
          </Text>
          {isOwn ? null : (
            <Text>
              <Link href="?">Answer for somebody else</Link>
            </Text>
          )}
        </Box>
      ) : (
        <>
          <Text mt="3.5" mb="3.5" maxW="60ch">
            What must somebody avoid, and how bad is it? Only the people who run the class see your answer. It is
            removed some time after the class.
          </Text>
          {own?.isFromBefore ? (
            <Alert.Root as="p" status="error">
              This is what was said for an earlier class. Look at every line, correct it, and send it again: only then
              does it count.
            </Alert.Root>
          ) : own?.hasAnswered ? (
            <Alert.Root as="p" status="info">
              This is what was said before. Send it again if it has changed.
            </Alert.Root>
          ) : null}
          {/* One person more is a form anew, with what was typed in it. */}
          <Answers
            key={values.people.length}
            values={values}
            error={actionData?.error ?? {}}
            again={actionData?.again ?? none}
            isOwn={isOwn}
            regime={regimes[invitation.regime as Regime]}
          />
        </>
      )}
    </Page>
  );
}

interface AnswersProps {
  readonly values: ReturnType<typeof typedOf>;
  readonly error: Readonly<Record<string, string[] | null>>;
  /** Those who have an answer already: it is asked whether another is meant. */
  readonly again: readonly string[];
  readonly isOwn: boolean;
  readonly regime: readonly Substance[];
}

function Answers({ values, error, again, isOwn, regime }: AnswersProps) {
  const [form, fields] = useForm<z.input<typeof intakeSchema>>({
    lastResult: Object.keys(error).length > 0 ? { status: "error", error } : undefined,
    defaultValue: values,
  });
  const blocks = fields.people.getFieldList();
  return (
    <GridForm method="post" {...getFormProps(form)} noValidate>
      <FormError title="Not sent" problems={form.errors ?? []} />
      <TextField span={6} field={fields.by} label="Your name" hint="who answers here" autoComplete="name" />
      {blocks.map((block, index) => (
        <PersonBlock key={block.key ?? index} field={block} index={index} isOwn={isOwn} regime={regime} />
      ))}
      {again.length > 0 ? (
        <Alert.Root as="p" status="error" role="alert">
          Somebody has answered for {again.join(", ")} already. Nothing was sent yet. If you send another answer, the
          instructor compares the two, and until then nothing counts as known.
        </Alert.Root>
      ) : null}
      <HStack gap="3" wrap="wrap">
        {again.length > 0 ? (
          <Primary name="again" value="yes">
            Send another answer
          </Primary>
        ) : (
          <Primary>Send</Primary>
        )}
        {!isOwn && blocks.length < mostPeople ? (
          <Secondary name="intent" value="another">
            Another child
          </Secondary>
        ) : null}
      </HStack>
    </GridForm>
  );
}
