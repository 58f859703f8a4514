import { Box, Heading, List, Span, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { TurnCard, TurnGrid } from "~/ui/parts/people";
import { Fragment } from "react";
import { useClass } from "../class-context";
import { labelsInHand } from "~/core/pantry";
import { kindsByUnit } from "~/core/plan";
import { talliesOf, turnsOf } from "~/core/turns";
import { clock, howMany, list, minutes } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { jobWords, sayLeftOut } from "~/ui/words/people";

/** Who does what at each station, in the order of the steps. */
export default function Turns() {
  const { input, plan, names, action } = useClass();
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const labels = labelsInHand(input.labels, input.packs);
  const surfaceAt = kindsByUnit(input, plan);
  const nameOf = (id: string) => input.people.find((one) => one.id === id)?.name ?? id;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Turns
        </Heading>
        <Text color="fg.muted">Everyone stirs. Every other job goes to whoever may and had the fewest turns.</Text>
        <SheetTools>
          <TextLink to={`${action}/people/seats`}>Seats</TextLink>
          <TextLink to={`${action}/house`}>House rules</TextLink>
        </SheetTools>
      </SheetHead>
      <Text fontSize="sm" color="fg.muted">
        For the staff: it says who keeps their hands off what. Not for the wall.
      </Text>
      <TurnGrid>
        {plan.stations.map((station) => {
          const dish = plan.dishes.find((one) => one.id === station.dishId);
          const people = station.people.flatMap((id) => input.people.find((one) => one.id === id) ?? []);
          if (!dish || people.length === 0) return null;
          const recipe = dish.atTable ?? dish.recipe;
          const turns = turnsOf({
            people,
            recipe,
            loads: station.loads,
            pantry,
            labels,
            house: input.house,
          });
          const tallies = talliesOf({
            stationId: station.id,
            people: people.map((person) => person.id),
            turns,
            recipe,
            timeline: plan.timeline,
            kindOf: (surfaceId) => (surfaceId === null ? undefined : surfaceAt.get(surfaceId)),
          });
          return (
            <TurnCard key={station.id}>
              <Heading as="h3" size="lg">
                {station.name}{" "}
                <Span fontSize="sm" color="fg.muted">
                  {names.dish(station.dishId)}
                </Span>
              </Heading>
              <List.Root as="ol">
                {recipe.steps.map((step) => {
                  const own = turns.filter((turn) => turn.stepId === step.id);
                  if (own.length === 0) return null;
                  const out = own[0]?.leftOut ?? [];
                  return (
                    <li key={step.id}>
                      <Span fontSize="sm">{step.text}</Span>
                      <Box>
                        {own.map((turn, index) => (
                          <Fragment key={`${turn.job} ${turn.load}`}>
                            {index > 0 ? "; " : ""}
                            {turn.load > 0 ? `load ${turn.load}: ` : ""}
                            {turn.hands.length === 0 ? (
                              <Span layerStyle="needsYou">the instructor or a helper</Span>
                            ) : (
                              <b>{list(turn.hands.map(nameOf), names.locale)}</b>
                            )}{" "}
                            {jobWords[turn.job]}
                            {turn.beside.length > 0 ? <Span color="fg.muted">, an adult beside</Span> : null}
                          </Fragment>
                        ))}
                      </Box>
                      {out.length > 0 ? (
                        <Box fontSize="sm" color="fg.muted">
                          {out
                            .map((one) => `${nameOf(one.participantId)}: ${sayLeftOut(one.reason, names)}`)
                            .join("; ")}
                        </Box>
                      ) : null}
                    </li>
                  );
                })}
              </List.Root>
              <Table.Root native fontSize="sm">
                <Heads of={["Who", { n: "Busy" }, { n: "Longest wait" }, { n: "At the heat" }]} />
                <tbody>
                  {tallies.map(({ participantId, busy, wait, waitFrom, heat }) => (
                    <tr key={participantId}>
                      <td>{nameOf(participantId)}</td>
                      <td data-numeric>{minutes(busy, names.locale)}</td>
                      <td data-numeric>
                        {wait > 0 ? minutes(wait, names.locale) : "none"}
                        {wait > 0 ? (
                          <div data-quiet>from {clock(input.startsAt, input.timeZone, waitFrom, names.locale)}</div>
                        ) : null}
                      </td>
                      <td data-numeric>{heat > 0 ? howMany(heat, "time") : "not once"}</td>
                    </tr>
                  ))}
                </tbody>
              </Table.Root>
            </TurnCard>
          );
        })}
      </TurnGrid>
    </>
  );
}
