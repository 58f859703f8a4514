import { Box, Heading, List, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { EmergencyNote, WallTables } from "~/ui/parts/people";
import { Caution } from "~/ui/parts/recipe";
import { Verdict } from "~/ui/parts/findings";
import { type ItemVerdict, hasOpenWords, isConcerned } from "~/core/allergen";
import type { Exposure } from "~/core/contact";
import type { Participant } from "~/core/people";
import { coolDown, holdColdC, holdHotC, nonStickMostC, reheatC } from "~/core/recipe";
import type { Names } from "~/ui/words/names";
import { useClass } from "../class-context";
import type { Route } from "./+types/day-sheet";
import { classOnce, notFound } from "~/services/classes.server";
import { requireLead } from "~/services/session.server";
import { emergencyNumber, firstMinutes } from "~/ui/words/emergency";
import { bellWords, closingCaution, verdictTitle } from "~/ui/words/en";
import { clock, dayAndTime, degrees, list, moment } from "~/ui/format/format";
import { needsInWords } from "~/ui/people/needs";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { Wide } from "~/ui/sheet/Wide";
import { sayExposure } from "~/ui/words/people";
import { because } from "~/ui/allergen/Tables";
import { Heads } from "~/ui/sheet/Heads";

const kinds = ["wall", "folder"] as const;

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const kind = kinds.find((one) => one === params.kind);
  if (!kind) throw notFound("sheet");
  if (kind === "folder") requireLead(context);
  return { kind, number: emergencyNumber(input.timeZone) };
}

export default function DaySheet({ loaderData }: Route.ComponentProps) {
  return loaderData.kind === "wall" ? <Wall /> : <Folder number={loaderData.number} />;
}

/** For the wall: who sits where and when what happens. No word of anybody's health. */
function Wall() {
  const { input, plan, action } = useClass();
  const locale = useLocale();
  const nameOf = (id: string) => input.people.find((one) => one.id === id)?.name ?? id;
  return (
    <Box as="article">
      <SheetHead>
        <Heading as="h2" size="xl">
          For the wall
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/day-sheet/folder`}>For the lead’s folder</TextLink>
        </SheetTools>
      </SheetHead>
      <Text>
        {dayAndTime(input.startsAt, input.timeZone, locale)}, {input.kitchen.name}
      </Text>
      <WallTables>
        {plan.stations.map((station) => (
          <Box as="section" key={station.id}>
            <Heading as="h3" size="lg">
              {station.name}
            </Heading>
            {/* The recipe, not its variant: what a table leaves out says something of who sits there. */}
            <Text fontSize="sm" color="fg.muted">
              {plan.dishes.find((dish) => dish.id === station.dishId)?.recipe.title}
            </Text>
            <List.Root>
              {station.people.map((id) => (
                <li key={id}>{nameOf(id)}</li>
              ))}
            </List.Root>
          </Box>
        ))}
      </WallTables>
      <Heading as="h3" size="lg">
        The bells
      </Heading>
      <Table.Root native>
        <tbody>
          {plan.timeline.bells.map((bell) => (
            <tr key={bell.id}>
              <td>{clock(input.startsAt, input.timeZone, bell.at, locale)}</td>
              <td>{bellWords[bell.kind]}</td>
            </tr>
          ))}
        </tbody>
      </Table.Root>
      <Caution mt="3.5">
        Hands washed, hair tied, sleeves up. A hot place has an adult. Raw batter is not for tasting. Ask before you eat
        something you did not make.
      </Caution>
    </Box>
  );
}

/** Why a plate is what it is, with what is only not known yet said together. */
function whyInShort(
  person: Participant,
  grave: readonly ItemVerdict[],
  exposures: readonly Exposure[],
  names: Names,
): string[] {
  if (!person.hasAnswered) return ["Has not answered. Not answered is not “none”: ask at the door."];
  if (hasOpenWords(person)) return ["Their own words, or a second answer, are still to be read."];
  const unread = grave.filter((item) => item.reasons[0]?.why === "label-unread");
  const rest = grave.filter((item) => !unread.includes(item)).map((item) => `${because(item, names)}.`);
  const elsewhere = exposures.flatMap(({ trace }) => (trace.certainty === "unread" ? [trace.ingredientId] : []));
  const open = [...new Set([...unread.map((item) => item.ingredientId), ...elsewhere])];
  return open.length === 0 ? rest : [...rest, `Labels not read: ${list(open.map(names.ingredient), names.locale)}.`];
}

/** For the lead's folder: everything that was checked, by whom and when. */
function Folder({ number }: { number: string }) {
  const { input, plan, names, standings, action } = useClass();
  const locale = useLocale();
  const warm = (celsius: number) => degrees(celsius, locale);
  const standing = standings.allergies;
  const stationOf = (id: string) => plan.stations.find((station) => station.people.includes(id))?.name ?? "no station";
  const concerned = input.people.filter(isConcerned);
  const rest = input.people.filter((person) => !concerned.includes(person));
  return (
    <Box as="article">
      <SheetHead>
        <Heading as="h2" size="xl">
          For the lead’s folder
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/day-sheet/wall`}>For the wall</TextLink>
        </SheetTools>
      </SheetHead>
      <Text>
        {dayAndTime(input.startsAt, input.timeZone, locale)}, {input.kitchen.name}. Health data: not for the wall, back
        into the folder.
      </Text>
      <EmergencyNote>
        Emergency: <b>{number}</b>. Say what happened, where you are, how many, and stay on the line.
      </EmergencyNote>
      <Box as="dl" fontSize="sm">
        {firstMinutes.map(([what, act]) => (
          <Box key={what}>
            <dt>
              <b>{what}</b>
            </dt>
            <dd>{act}</dd>
          </Box>
        ))}
      </Box>
      {standing.state === "settled" && standing.at ? (
        <Text>
          Allergy table signed by <b>{standing.by ?? "someone"}</b>, {moment(standing.at, locale, input.timeZone)}.
        </Text>
      ) : (
        <Text layerStyle="needsYou">
          {standing.state === "stale"
            ? `Signed by ${standing.by ?? "someone"}, and changed since: sign again before the doors open.`
            : "The allergy table is not signed yet."}
        </Text>
      )}
      <Wide label="Every person">
        <Table.Root native>
          <Heads of={["Person", "Must or wants to avoid", "Medicine and emergency plan", "Their plate, and why"]} />
          <tbody>
            {concerned.map((person) => {
              const plate = plan.plates.find((one) => one.participantId === person.id);
              const grave = plate?.items.filter((item) => item.verdict === plate.verdict) ?? [];
              return (
                <tr key={person.id}>
                  <td>
                    <b>{person.name}</b>
                    <div data-small>{stationOf(person.id)}</div>
                  </td>
                  <td>
                    {person.hasAnswered ? needsInWords(person, locale) || "nothing declared" : <b>not answered</b>}
                    {person.words ? <div data-small>“{person.words.text}”</div> : null}
                    {person.answered ? (
                      <div data-small data-quiet>
                        said by {person.answered.by}, {person.answered.on}
                      </div>
                    ) : null}
                  </td>
                  <td>
                    {person.emergency ??
                      (person.needs.some((need) => need.kind !== "diet" && need.severity === "rescue-medicine") ? (
                        <Text as="b" layerStyle="needsYou">
                          not known: ask at the door
                        </Text>
                      ) : (
                        "–"
                      ))}
                  </td>
                  <td>
                    {plate ? <Verdict is={plate.verdict}>{verdictTitle[plate.verdict]}</Verdict> : null}
                    {plate && plate.verdict !== "clear" ? (
                      <div data-small>
                        {whyInShort(person, grave, plate.exposures, names).map((sentence) => (
                          <div key={sentence}>{sentence}</div>
                        ))}
                        {[
                          ...new Set(
                            plate.exposures
                              .filter((one) => one.trace.certainty !== "unread")
                              .map((one) => sayExposure(one, input, plan, names)),
                          ),
                        ]
                          .slice(0, 2)
                          .map((way) => (
                            <div key={way}>{way}.</div>
                          ))}
                      </div>
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </Table.Root>
      </Wide>
      {rest.length > 0 ? (
        <Text fontSize="sm">
          Answered that there is nothing to avoid:{" "}
          {list(
            rest.map((person) => person.name),
            locale,
          )}
          .
        </Text>
      ) : null}
      <Heading as="h3" size="lg" mt="4.5">
        What was checked
      </Heading>
      <Text fontSize="sm">
        {input.labels.length === 0
          ? "No label has been read."
          : input.labels
              .map(
                (label) =>
                  `${names.ingredient(label.ingredientId)} (“${label.product}”, ${label.readBy}, ${label.readOn})`,
              )
              .join("; ")}
      </Text>
      <Heading as="h3" size="lg" mt="4.5">
        Food and heat
      </Heading>
      <Text fontSize="sm">
        Hot food at {warm(holdHotC[input.brief.regime])} or more, cold at {warm(holdColdC)} or less; raw batter 2 hours
        in the room at most, 1 above {warm(32)}. Left-overs to {warm(coolDown.warm.toC)} within{" "}
        {coolDown.warm.withinMinutes / 60} hours and to {warm(coolDown.cold.toC)} within{" "}
        {coolDown.cold.withinMinutes / 60} more; reheated to {warm(reheatC)}. Non-stick never empty and never above{" "}
        {warm(nonStickMostC)}, pet birds out of the room. Camping stoves and charcoal outdoors only, never in a tent or
        porch. Extension leads unwound, dry, one appliance, never one into another.
      </Text>
      <Caution mt="3.5">{closingCaution} So does their guardian.</Caution>
    </Box>
  );
}
