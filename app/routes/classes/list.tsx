import { FirstSteps } from "~/ui/first/FirstSteps";
import { choicesNow } from "~/services/choices.server";
import { RuledTable } from "~/ui/parts/tables";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ActionForm } from "~/ui/parts/forms";
import { getLocalTimeZone, now, toCalendarDateTime } from "@internationalized/date";
import { Box, HStack, Heading, Input, Span, Text, VisuallyHidden, chakra } from "@chakra-ui/react";
import type { Route } from "./+types/list";
import { type ClassState, classStates } from "~/core/log";
import { database } from "~/db/client.server";
import { cleanText } from "~/formats/text";
import { type ClassCard, classCards, countClasses } from "~/db/queries/classes.server";
import { day, minutes, people, wallTime } from "~/ui/format/format";
import { removedClasses } from "~/services/bin.server";
import { Choice, PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { classStateWords } from "~/ui/words/en";
import { Undo } from "~/ui/parts/Undo";
import { useLocale } from "~/ui/sheet/locale";

/** Rows a page: what is ahead is worked on, what is behind is looked up. */
const perPage = { ahead: 20, behind: 10 };
const mostPages = 10_000;

/** A page by its number in the address, from 0; what is no page of the list is its first or its last. */
const pageOf = (asked: string | null, count: number, rows: number): number =>
  Math.min(
    /^\d{1,5}$/.test(asked ?? "") ? Math.max(0, Number(asked) - 1) : 0,
    Math.min(mostPages, Math.max(1, Math.ceil(count / rows))) - 1,
  );

/** What a home without classes has already; nobody asks once there is a class. */
async function whatIsThere(db: Parameters<typeof choicesNow>[0], classes: number) {
  if (classes > 0) return { kitchens: 1, recipes: 1 };
  const { kitchens, recipes } = await choicesNow(db);
  return { kitchens: kitchens.length, recipes: recipes.length };
}

export async function loader({ request }: Route.LoaderArgs) {
  const day = toCalendarDateTime(now(getLocalTimeZone())).toString().slice(0, 10);
  const asked = new URL(request.url).searchParams;
  const db = database();
  const find = cleanText(asked.get("find") ?? "")
    .trim()
    .slice(0, 120);
  const state = classStates.find((one) => one === asked.get("is"));
  const wanted = { find, state };
  const count = await countClasses(db, day, wanted);
  const pages = {
    ahead: pageOf(asked.get("ahead"), count.from, perPage.ahead),
    behind: pageOf(asked.get("behind"), count.before, perPage.behind),
  };
  const [ahead, behind] = await Promise.all([
    classCards(db, { side: "from", day, page: pages.ahead, perPage: perPage.ahead, ...wanted }),
    classCards(db, { side: "before", day, page: pages.behind, perPage: perPage.behind, ...wanted }),
  ]);
  const removed = asked.get("removed");
  const aside = asked.get("aside");
  return {
    ahead,
    behind,
    count,
    pages,
    find,
    state,
    today: day,
    removed: removed === null ? undefined : (await removedClasses(db)).find((one) => one.id === removed),
    aside: [...ahead, ...behind].find((one) => one.id === aside),
    there: await whatIsThere(db, count.from + count.before),
  };
}

interface PagesProps {
  readonly of: "ahead" | "behind";
  readonly count: number;
  readonly pages: { readonly ahead: number; readonly behind: number };
  readonly find: string;
  readonly state: ClassState | undefined;
}

/** Which page of one side of the list this is, and the ways to those beside it. The other side stays where it is. */
function Pages({ of, count, pages, find, state }: PagesProps) {
  const rows = perPage[of];
  const last = Math.max(0, Math.ceil(count / rows) - 1);
  if (last === 0) return null;
  const at = pages[of];
  const to = (page: number) =>
    `/?${new URLSearchParams([
      ...Object.entries({ ...pages, [of]: page }).map(([side, each]) => [side, String(each + 1)]),
      ...(find === "" ? [] : [["find", find]]),
      ...(state === undefined ? [] : [["is", state]]),
    ]).toString()}`;
  return (
    <HStack as="nav" mt="2" gap="3" wrap="wrap" aria-label={`Pages of the classes ${of}`}>
      {at > 0 ? <TextLink to={to(at - 1)}>{of === "ahead" ? "Sooner" : "Later"}</TextLink> : null}
      <Span color="fg.muted">
        {at * rows + 1} to {Math.min(count, (at + 1) * rows)} of {count}
      </Span>
      {at < last ? <TextLink to={to(at + 1)}>{of === "ahead" ? "Later" : "Earlier"}</TextLink> : null}
    </HStack>
  );
}

function standing(card: ClassCard, today: string): { text: string; asks: boolean } {
  if (card.loggedAt) return { text: "logged", asks: false };
  if (card.startedAt) return { text: "taught, log open", asks: true };
  const silent = Number(card.unanswered);
  if (card.startsAt.slice(0, 10) < today) return { text: "not taught", asks: false };
  return silent > 0
    ? { text: `${silent} ${silent === 1 ? "person has" : "people have"} not answered`, asks: true }
    : { text: "planned", asks: false };
}

function Group({ title, cards, today }: { title: string; cards: readonly ClassCard[]; today: string }) {
  const locale = useLocale();
  if (cards.length === 0) return null;
  return (
    <Box as="section" mb="9">
      <Heading as="h2" size="xl">
        {title}
      </Heading>
      <RuledTable isFixed kind="stacked">
        <colgroup>
          <chakra.col w="190px" />
          <col />
          <chakra.col w="240px" />
          <chakra.col w="240px" />
          <chakra.col w="70px" />
        </colgroup>
        <VisuallyHidden as="thead">
          <tr>
            <th scope="col">When</th>
            <th scope="col">Class</th>
            <th scope="col">Recipe and people</th>
            <th scope="col">Status</th>
            <th scope="col">Go</th>
          </tr>
        </VisuallyHidden>
        <tbody>
          {cards.map((card) => {
            const { text, asks } = standing(card, today);
            return (
              <tr key={card.id}>
                <td>
                  <b>{day(card.startsAt, locale)}</b>
                  <div data-quiet>
                    {wallTime(card.startsAt, locale)}, {minutes(card.minutes, locale)}
                  </div>
                </td>
                <td data-whole data-first>
                  <TextLink textStyle="leadName" to={`/classes/${card.id}`}>
                    {card.title}
                  </TextLink>
                  <div data-quiet>{card.kitchen}</div>
                </td>
                <td>
                  {card.recipes ?? <span data-alert>no recipe yet</span>}
                  <div data-quiet>{people(card.people)}</div>
                </td>
                <td data-alert={asks ? "" : undefined} data-quiet={asks ? undefined : ""}>
                  {text}
                </td>
                <td data-numeric>
                  {card.startsAt.slice(0, 10) === today && !card.loggedAt ? (
                    <TextLink to={`/classes/${card.id}/teach`}>Teach</TextLink>
                  ) : card.startedAt ? (
                    <TextLink to={`/classes/${card.id}/log`}>Log</TextLink>
                  ) : null}
                </td>
              </tr>
            );
          })}
        </tbody>
      </RuledTable>
    </Box>
  );
}

/** Classes by what they ask for: today, ahead, behind. */
export default function ClassList({ loaderData }: Route.ComponentProps) {
  const { ahead, behind, count, pages, find, state, today, removed, aside, there } = loaderData;
  const isPicked = find !== "" || state !== undefined;
  const dayOf = (card: ClassCard) => card.startsAt.slice(0, 10);
  return (
    <>
      <title>Classes · Apron Bell</title>
      <SheetHead mb="6">
        <Heading as="h1" size="2xl">
          Classes
        </Heading>
        <SheetTools>
          <TextLink to="/month">By month</TextLink>
          <TextLink to="/classes/import">Import a class file</TextLink>
          <PrimaryLink to="/classes/new">New class</PrimaryLink>
        </SheetTools>
      </SheetHead>
      {removed ? (
        <Undo
          id={`class ${removed.id}`}
          said={`“${removed.title}” is removed.`}
          back="Put it back"
          action="/removed"
          fields={{ classId: removed.id }}
        />
      ) : null}
      {aside ? (
        <Undo
          id={`class aside ${aside.id}`}
          said={`“${aside.title}” is archived.`}
          back="Take it back"
          action={`/classes/${aside.id}`}
          fields={{ intent: "back" }}
        />
      ) : null}
      <ActionForm mb="4.5" method="get" role="search">
        <Input
          maxW="320px"

          key={find}
          name="find"
          type="search"
          defaultValue={find}
          aria-label="A part of a title, or a person, a recipe, a kitchen"
          placeholder="Title, person, recipe or kitchen"
        />
        <VisuallyHidden asChild>
          <label htmlFor="how-it-stands">Status</label>
        </VisuallyHidden>
        <Span w="240px">
          <Choice
            key={state}
            id="how-it-stands"
            name="is"
            defaultValue={state ?? ""}
            options={optionsOf(classStateWords)}
            empty="any status"
          />
        </Span>
        <Secondary>Find</Secondary>
        {isPicked ? <TextLink to="/">Show every class</TextLink> : null}
      </ActionForm>
      {count.from + count.before === 0 && isPicked ? (
        <Text>
          {find === ""
            ? `No class is “${state ? classStateWords[state] : ""}”.`
            : `No class has “${find}” in its title, recipe, kitchen or register${state ? ` and is “${classStateWords[state]}”` : ""}.`}{" "}
          <TextLink to="/">Show every class</TextLink>
        </Text>
      ) : count.from + count.before === 0 ? (
        <FirstSteps {...there} />
      ) : null}
      <Group title="Today" cards={ahead.filter((card) => dayOf(card) === today)} today={today} />
      <Group title="Coming up" cards={ahead.filter((card) => dayOf(card) > today)} today={today} />
      <Pages of="ahead" count={count.from} pages={pages} find={find} state={state} />
      <Group title="Earlier" cards={behind} today={today} />
      <Pages of="behind" count={count.before} pages={pages} find={find} state={state} />
    </>
  );
}
