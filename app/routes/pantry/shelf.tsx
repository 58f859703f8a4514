import { RuledTable } from "~/ui/parts/tables";
import { Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { InlineField, InlineFields, InlineLabel, ScrollArea } from "~/ui/parts/forms";
import { useState } from "react";
import { data, redirect } from "react-router";
import type { Route } from "./+types/shelf";
import { type Ingredient, type Role, checkIngredient, roles } from "~/core/pantry";
import { formOf } from "../form";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { fits } from "~/formats/matching";
import { asideFormSchema, asideOf, putAside } from "~/services/aside.server";
import { notFound } from "~/services/classes.server";
import { list, number } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { roleNames } from "~/ui/words/batter";
import { substanceWords } from "~/ui/words/en";
import { PutAside, afterAside } from "~/ui/sheet/Aside";
import { Heads } from "~/ui/sheet/Heads";
import { PlainInput, PlainSelect } from "~/ui/parts/plain";
import { foodIn } from "~/ui/words/regional";

export async function loader() {
  const db = database();
  const [pantry, aside] = await Promise.all([allIngredients(db), asideOf(db, "ingredient")]);
  return {
    pantry: pantry.filter((one) => !aside.has(one.id)),
    aside: pantry.filter((one) => aside.has(one.id)).map(({ id, name }) => ({ id, name })),
  };
}

/** Takes an ingredient back that was put aside, or puts one aside. */
export async function action({ request }: Route.ActionArgs) {
  const form = asideFormSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data("This form was not understood. Go back, load the page again and repeat.", { status: 400 });
  if (!(await putAside(database(), "ingredient", form.data.id, form.data.intent === "aside")))
    throw notFound("ingredient");
  return redirect(afterAside("/pantry", form.data));
}

function cupText(one: Ingredient, locale: string): string {
  const cup = one.gramsPerCup;
  if (typeof cup === "object")
    return `${number(cup.sifted, locale, 0)} / ${number(cup.spooned, locale, 0)} / ${number(cup.dipped, locale, 0)}`;
  return cup === undefined ? "" : number(cup, locale, 0);
}

export default function Pantry({ loaderData }: Route.ComponentProps) {
  const { pantry, aside } = loaderData;
  const locale = useLocale();
  const [sought, setSought] = useState("");
  const [role, setRole] = useState<Role | "">("");
  const shown = pantry.filter(
    (one) =>
      (role === "" || one.role === role) &&
      fits(
        `${one.name} ${foodIn(one.name, locale)} ${roleNames[one.role]} ${one.contains.map((substance) => substanceWords[substance]).join(" ")}`,
        sought,
      ),
  );
  return (
    <>
      <title>Pantry · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Pantry
        </Heading>
        <SheetTools>
          <TextLink to="/pantry/new">Add an ingredient</TextLink>
          <TextLink to="/recipes">Batter book</TextLink>
        </SheetTools>
      </SheetHead>
      <Text color="fg.muted" maxW="60ch" mb="3.5">
        Ingredients as numbers. Starting values come from general baking and food-composition tables; change them when
        your scale says otherwise, and every class reckons with yours.
      </Text>
      <InlineFields isTight _print={{ display: "none" }} role="search">
        <InlineField>
          <InlineLabel>Find</InlineLabel>
          <PlainInput
            value={sought}
            onChange={(event) => setSought(event.target.value)}
            type="search"
            autoComplete="off"
            placeholder="flour, or milk"
          />
        </InlineField>
        <InlineField>
          <InlineLabel>What it does</InlineLabel>
          <PlainSelect value={role} onChange={(event) => setRole(event.target.value as Role | "")}>
            <option value="">all</option>
            {roles.map((one) => (
              <option key={one} value={one}>
                {roleNames[one]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <Span color="fg.muted" fontSize="sm">
          {shown.length} of {pantry.length}
        </Span>
      </InlineFields>
      <ScrollArea>
        <RuledTable kind="shelf">
          <Heads
            of={[
              "Ingredient",
              "Does",
              { n: "g a US cup" },
              { n: "g a tsp" },
              { n: "g a piece" },
              { n: "water %" },
              { n: "fat %" },
              { n: "sugar %" },
              { n: "g/ml" },
              "By nature",
            ]}
          />
          <tbody>
            {shown.map((one) => (
              <tr key={one.id}>
                <td>
                  <TextLink to={`/pantry/${one.id}`}>{foodIn(one.name, locale)}</TextLink>
                  {checkIngredient(one).length > 0 ? (
                    <span data-alert data-small>
                      {" "}
                      look at it
                    </span>
                  ) : null}
                </td>
                <td data-quiet>{roleNames[one.role]}</td>
                <td data-numeric>{cupText(one, locale)}</td>
                <td data-numeric>
                  {one.gramsPerTsp === undefined ? "" : number(one.gramsPerTsp, locale)}
                  {one.tspSpread ? (
                    <span data-quiet>
                      {" "}
                      ({number(one.tspSpread.low, locale)}–{number(one.tspSpread.high, locale)})
                    </span>
                  ) : null}
                </td>
                <td data-numeric>{one.pieceGrams === undefined ? "" : number(one.pieceGrams, locale, 0)}</td>
                <td data-numeric>{one.waterPercent === 0 ? "" : number(one.waterPercent, locale)}</td>
                <td data-numeric>{one.fatPercent === 0 ? "" : number(one.fatPercent, locale)}</td>
                <td data-numeric>{one.sugarPercent === 0 ? "" : number(one.sugarPercent, locale)}</td>
                <td data-numeric>{number(one.trueDensity, locale, 2)}</td>
                <td>
                  {one.contains.length > 0 ? (
                    list(
                      one.contains.map((substance) => substanceWords[substance]),
                      locale,
                    )
                  ) : (
                    <span data-quiet>{one.label === "whole" ? "none" : "see label"}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollArea>
      <PutAside action="/pantry" of={aside} />
    </>
  );
}
