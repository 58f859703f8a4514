import { RuledTable } from "~/ui/parts/tables";
import { Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/list";
import { formOf } from "../form";
import { database } from "~/db/client.server";
import { kitchens } from "~/db/queries/kitchens.server";
import { asideFormSchema, asideOf, putAside } from "~/services/aside.server";
import { notFound } from "~/services/classes.server";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { surfaceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";
import { AsideButton, PutAside, afterAside } from "~/ui/sheet/Aside";
import { Heads } from "~/ui/sheet/Heads";

export async function loader() {
  const db = database();
  const [all, aside] = await Promise.all([kitchens(db), asideOf(db, "kitchen")]);
  return {
    kitchens: all.filter((one) => !aside.has(one.id)),
    aside: all.filter((one) => aside.has(one.id)).map(({ id, name }) => ({ id, name })),
  };
}

const asked = asideFormSchema.extend({ id: z.uuid() });

/** Puts a kitchen aside, or takes it back. */
export async function action({ request }: Route.ActionArgs) {
  const form = asked.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data("This form was not understood. Go back, load the page again and repeat.", { status: 400 });
  if (!(await putAside(database(), "kitchen", form.data.id, form.data.intent === "aside"))) throw notFound("kitchen");
  return redirect(afterAside("/kitchens", form.data));
}

export default function Kitchens({ loaderData }: Route.ComponentProps) {
  const words = wordsIn(surfaceWords, useLocale());
  return (
    <>
      <title>Kitchens · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Kitchens
        </Heading>
        <SheetTools>
          <TextLink to="/kitchens/new">
            <b>Add a kitchen</b>
          </TextLink>
        </SheetTools>
      </SheetHead>
      {loaderData.kitchens.length === 0 ? (
        <Text>
          No kitchen yet. <TextLink to="/kitchens/new">Add the first</TextLink>: where pieces cook decides how long a
          class takes.
        </Text>
      ) : (
        <RuledTable kind="stacked">
          <Heads of={["Kitchen", "Surfaces", { n: "Sinks" }, { n: "Gear counted" }, "Archive"]} />
          <tbody>
            {loaderData.kitchens.map((kitchen) => (
              <tr key={kitchen.id}>
                <td>
                  <TextLink textStyle="leadName" to={`/kitchens/${kitchen.id}`}>
                    {kitchen.name}
                  </TextLink>
                </td>
                <td data-whole>
                  {kitchen.surfaces.map((surface) => (
                    <div key={surface.id}>
                      {surface.count} × {surface.name}{" "}
                      <span data-quiet>
                        ({words[surface.kind]}, {surface.places} to a load
                        {surface.at === "station" ? ", at each station" : ""})
                      </span>
                    </div>
                  ))}
                </td>
                <td data-numeric data-wide>
                  {kitchen.sinks}
                </td>
                <td data-numeric data-wide>
                  {kitchen.gear.length}
                </td>
                <td data-screen data-first>
                  <AsideButton action="/kitchens" id={kitchen.id} isAside={false} />
                </td>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      )}
      <PutAside action="/kitchens" of={loaderData.aside} />
    </>
  );
}
