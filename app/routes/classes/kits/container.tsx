import { Box, Heading, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { PlainList } from "~/ui/parts/shopping";
import type { Route } from "./+types/container";
import { useClass } from "../class-context";
import { contentsOf, foldTicks, packingOfClass, stateOf } from "~/core/pack";
import { database } from "~/db/client.server";
import { classOnce } from "~/services/classes.server";
import { ticksOf } from "~/services/ticks.server";
import { grams, list, moment } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import {
  containerName,
  contentGrams,
  contentScoops,
  placeName,
  sayMix,
  sayContentChange,
  sayKeeps,
  sayMarks,
  saySteps,
} from "~/ui/words/kits";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const events = await ticksOf(database(), params.classId);
  return { events, history: events.filter((event) => event.list === "packing" && event.key === params["*"]) };
}

/** The record of one container: what its square code opens. */
export default function Container({ loaderData, params }: Route.ComponentProps) {
  const { input, plan, names } = useClass();
  const locale = useLocale();
  const key = params["*"];
  const container = packingOfClass(input, plan).containers.find((one) => one.key === key);
  const tick = foldTicks(loaderData.events).packing.get(key);
  if (!container)
    return (
      <>
        <Heading as="h2" size="xl">
          No such container
        </Heading>
        <Text>
          The plan has no container of this name {tick ? `any more. It was packed by ${tick.by}: set it aside.` : "."}{" "}
          <TextLink to={`/classes/${params.classId}/kits`}>All kits</TextLink>
        </Text>
      </>
    );
  const state = stateOf(contentsOf(container), tick);
  const recipe = plan.dishes.find((dish) => dish.id === container.dishId)?.recipe;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          {placeName(container.place)}
          {sayMix(container)}:{" "}
          {list(
            container.contents.map((one) => names.ingredient(one.ingredientId)),
            locale,
          )}
        </Heading>
        <SheetTools>
          <TextLink to={`/classes/${params.classId}/kits`}>All kits</TextLink>
          <TextLink to={`/classes/${params.classId}/kit-labels?only=${encodeURIComponent(key)}`}>Its label</TextLink>
        </SheetTools>
      </SheetHead>
      <Columns split="even">
        <Table.Root native>
          <caption>
            {containerName(container)}, {container.dishTitle}
          </caption>
          <tbody>
            {container.contents.map((one) => (
              <tr key={`${one.lineId}${one.isApart}`}>
                <td>
                  {names.ingredient(one.ingredientId)}
                  {one.isApart ? (
                    <div data-small data-quiet>
                      only if the batter wants it
                    </div>
                  ) : null}
                </td>
                <td data-numeric>{contentGrams(one, locale)}</td>
                <td>{contentScoops(one, locale)}</td>
              </tr>
            ))}
          </tbody>
        </Table.Root>
        <Box as="section">
          <Text>
            <b>
              {state.kind === "open"
                ? "Not packed yet."
                : state.kind === "packed"
                  ? "Packed, and as the plan wants it."
                  : `Changed since it was packed: ${list(
                      state.changes.map((change) => sayContentChange(change, names)),
                      locale,
                    )}.`}
            </b>
          </Text>
          <Text>{sayMarks(container.marks, names).join(" ")}</Text>
          <Text>
            For {saySteps(container.steps, locale)}
            {recipe && container.steps[0] !== undefined
              ? `: “${recipe.steps[container.steps[0] - 1]?.text ?? ""}”`
              : ""}
          </Text>
          <Text color="fg.muted">Use {sayKeeps(container.group, locale)}. Local food codes come first.</Text>
        </Box>
      </Columns>
      <Heading as="h3" size="lg">
        What happened to it
      </Heading>
      {loaderData.history.length === 0 ? <Text color="fg.muted">Nothing yet.</Text> : null}
      <PlainList>
        {loaderData.history.map((event) => (
          <li key={event.id}>
            {moment(event.at, locale, input.timeZone)}: {event.isOn ? "packed" : "taken back"} by {event.by}
            {event.weighed === undefined ? "" : `, the scale said ${grams(event.weighed, locale)}`}
          </li>
        ))}
      </PlainList>
    </>
  );
}
