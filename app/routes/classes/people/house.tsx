import { HStack, Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { HouseTable } from "~/ui/parts/people";
import { Form, data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/house";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { type AgeBand, ageBands } from "~/core/people";
import { type Doing, type HouseRule, doings, mayOf, mays, ownRules, usualRules } from "~/core/turns";
import { database } from "~/db/client.server";
import { changePlan, madeChanges, undoChange } from "~/services/arrange.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { Primary, Secondary, TextLink } from "~/ui/parts/fields";
import { Hidden, PlainSelect } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";
import { Told } from "~/ui/parts/Told";
import { PrintButton } from "~/ui/parts/PrintButton";
import { ageWords } from "~/ui/words/en";
import { doingWords, mayWords } from "~/ui/words/people";

const cell = (doing: Doing, band: AgeBand) => `${doing} ${band}`;
const schema = z.object({
  intent: z.enum(["save", "undo"]),
  version: z.coerce.number().pipe(z.int()),
  ...Object.fromEntries(
    doings.flatMap((doing) => ageBands.map((band) => [cell(doing, band), z.enum(mays).optional()] as const)),
  ),
});

const late = "Somebody changed this class a moment ago. Look at it in a second window, then save again.";

const changed = "House rules changed";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const [newest] = await madeChanges(database(), params.classId);
  return { canTakeBack: newest?.what === changed };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const account = accountOf(context);
  const form = schema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    return data({ problem: "These rules were not understood. Load the page again and repeat." }, { status: 400 });
  const { intent, version, ...chosen } = form.data;
  if (intent === "undo") {
    return (await undoChange(database(), input, version, account.id))
      ? data({ done: "Taken back." })
      : data(
          { problem: "There is nothing to take back, or somebody changed the class a moment ago." },
          { status: 409 },
        );
  }
  const cells = chosen as Readonly<Record<string, (typeof mays)[number] | undefined>>;
  const house = ownRules((doing, band) => cells[cell(doing, band)]);
  return (await changePlan(database(), input, version, { arrangement: input.arrangement, house }, changed, account.id))
    ? data({ done: "Saved." })
    : data({ problem: late }, { status: 409 });
}

/**
 * The ages a table of rules shows; an infant does nothing of all this, and whoever is between six and eleven without anybody saying
 * more has a column only where there is somebody like that, or a rule.
 */
const bandsShown = (present: ReadonlySet<AgeBand>, rules: readonly HouseRule[]): AgeBand[] =>
  ageBands.filter(
    (band) => band !== "under-1" && (band !== "6-11" || present.has(band) || rules.some((rule) => rule.band === band)),
  );

/** Who of which age may do what: chosen here, followed by the turns, printed for the wall. */
export default function House({ actionData, loaderData }: Route.ComponentProps) {
  const { input, meta, action } = useClass();
  const rules = input.house ?? [];
  const present = new Set(input.people.map((person) => person.ageBand));
  const shownBands = bandsShown(present, rules);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          House rules
        </Heading>
        <Text color="fg.muted">Who may do what, by age. The turns at the tables follow it.</Text>
        <SheetTools>
          <TextLink to={`${action}/people/turns`}>Turns</TextLink>
          <PrintButton>Print for the wall</PrintButton>
        </SheetTools>
      </SheetHead>
      <Told told={actionData} />
      <Form method="post" key={meta.version}>
        <TypedGuard />
        <Hidden name="version" value={meta.version} />
        <HouseTable>
          <thead>
            <tr>
              <th scope="col">What is asked for</th>
              {shownBands.map((band) => (
                <th scope="col" key={band}>
                  {ageWords[band]}
                  {band === "6-11" ? (
                    <span data-quiet data-small>
                      {" "}
                      nobody said nearer
                    </span>
                  ) : null}
                  {present.has(band) ? null : (
                    <span data-quiet data-small>
                      {" "}
                      nobody here
                    </span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {doings.map((doing) => (
              <tr key={doing}>
                <th scope="row">
                  {doingWords[doing].name}
                  <span data-quiet data-small>
                    {doingWords[doing].why}
                  </span>
                </th>
                {shownBands.map((band) => {
                  const may = mayOf(rules, doing, band);
                  const isOwn = may !== usualRules[doing][band];
                  return (
                    <td key={band} data-may={may} data-band={ageWords[band]}>
                      <PlainSelect
                        _print={{ display: "none" }}

                        name={cell(doing, band)}
                        defaultValue={may}
                        aria-label={`${doingWords[doing].name}, ${ageWords[band]}`}
                      >
                        {mays.map((one) => (
                          <option key={one} value={one}>
                            {mayWords[one]}
                          </option>
                        ))}
                      </PlainSelect>
                      <span data-part="only-print">{mayWords[may]}</span>
                      {isOwn ? (
                        <Span color="fg.muted" fontSize="sm" _print={{ display: "none" }}>
                          usual: {mayWords[usualRules[doing][band]]}
                        </Span>
                      ) : null}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </HouseTable>
        <Text fontSize="sm" color="fg.muted">
          “Adult beside” means somebody who does nothing else at that moment; the instructor who walks about does not
          count. Usual figures by age, to be changed for the people you know; local rules come first.
        </Text>
        <HStack _print={{ display: "none" }} gap="3" wrap="wrap">
          <Primary name="intent" value="save">
            Save the rules
          </Primary>
          {loaderData.canTakeBack ? (
            <Secondary type="submit" name="intent" value="undo">
              Take back the last change
            </Secondary>
          ) : null}
        </HStack>
      </Form>
    </>
  );
}
