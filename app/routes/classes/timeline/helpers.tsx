import { RuledTable } from "~/ui/parts/tables";
import { Box, Heading, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { HelperCard } from "~/ui/parts/labels";
import { CardHead } from "~/ui/parts/card";
import { Caution } from "~/ui/parts/recipe";
import { roomKindOf } from "~/core/people";
import { useClass } from "../class-context";
import { shownOnce } from "~/core/caution";
import { adultsAtHeat } from "~/core/people";
import { heatsOf, recipesMade, watchesOf } from "~/core/plan";
import { runList } from "~/core/schedule";
import { clock, list, minutes } from "~/ui/format/format";
import { PrintButton } from "~/ui/parts/PrintButton";
import { TextLink } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { Wide } from "~/ui/sheet/Wide";
import { hazardWords } from "~/ui/words/en";
import { adultName, sayEntry, unitNames } from "~/ui/words/timeline";

/** A card for each adult at the heat: which griddle is theirs, what lies on it from when to when, what they watch for. */
export default function HelperCards() {
  const { input, plan, names, action } = useClass();
  const { brief, people, startsAt, timeZone } = input;
  const { locale } = names;
  const adults = adultsAtHeat(brief.helpers, people);
  const cards = watchesOf(input, plan);
  const nameOf = (index: number) => adultName(input, index);
  const { unitAt } = unitNames(plan.timeline, names);
  const heats = heatsOf(input, plan);
  const at = (after: number) => clock(startsAt, timeZone, after, locale);
  const cautions = [
    ...new Set(
      recipesMade(plan).flatMap(({ steps }) =>
        shownOnce(steps.filter((step) => step.kind === "cook" || step.kind === "preheat")).flat(),
      ),
    ),
  ];
  const busy = cards.filter((card) => card.tasks.length > 0);
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          Cards for helpers
        </Heading>
        <Text color="fg.muted">
          {adults === 0
            ? "The brief names no helper: everything at the heat is yours."
            : `${adults} at the heat; whoever is at a griddle stays there while they can.`}
        </Text>
        <SheetTools>
          <TextLink to={`${action}/timeline`}>Run sheet</TextLink>
          <PrintButton>Print the cards</PrintButton>
        </SheetTools>
      </SheetHead>
      {busy.length === 0 ? <Text color="fg.muted">Nothing is cooked yet: there is nothing to look after.</Text> : null}
      {cards.map((card, index) =>
        card.tasks.length === 0 ? (
          <Text color="fg.muted" _print={{ display: "none" }} key={index}>
            {nameOf(index)}: nothing at the heat. At the tables, and whoever is called away is stood in for.
          </Text>
        ) : (
          <HelperCard key={index} aria-label={`Card: ${nameOf(index)}`}>
            <CardHead>
              <Heading as="h3" size="lg">
                {nameOf(index)}
              </Heading>
              <span>at {list(card.unitIds.map(unitAt), locale)}</span>
              <span data-part="made">something on the heat for {minutes(card.minutes, locale)}</span>
            </CardHead>
            <Columns split="wide-narrow">
              <Wide label="By the minute">
                <RuledTable kind="minutes">
                  <Heads of={["Time", "What happens", "Say, and watch for"]} />
                  <tbody>
                    {runList({
                      ...plan.timeline,
                      bells: plan.timeline.bells.filter((bell) => ["pour", "swap", "eat"].includes(bell.kind)),
                      tasks: card.tasks,
                    })
                      .filter((entry) => entry.kind !== "last-out")
                      .map((entry, row) => {
                        const { what, say } = sayEntry(entry, {
                          names,
                          unit: unitAt,
                          unitAt,
                          at,
                          heats,
                          room: roomKindOf(input.brief),
                        });
                        return (
                          <tr data-bell={entry.kind === "bell" ? "" : undefined} key={`${row} ${what}`}>
                            <td data-numeric>
                              <b>{at(entry.at)}</b>
                            </td>
                            <td>{what}</td>
                            <td>{say}</td>
                          </tr>
                        );
                      })}
                  </tbody>
                </RuledTable>
              </Wide>
              <Box>
                {cautions.map((hazard) => (
                  <Caution key={hazard}>{hazardWords[hazard]}</Caution>
                ))}
                <Text color="fg.muted" fontSize="sm">
                  Nobody leaves the heat: call, and somebody comes. Local fire rules first.
                </Text>
              </Box>
            </Columns>
          </HelperCard>
        ),
      )}
    </>
  );
}
