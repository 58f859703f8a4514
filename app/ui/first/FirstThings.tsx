import { Fieldset, Heading, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { starterKinds } from "~/core/gear";
import { StarterSurfaces } from "~/ui/kitchen/StarterSurfaces";
import { Primary } from "~/ui/parts/fields";
import { TickLabel } from "~/ui/parts/forms";
import { Hidden, Pick, Tick } from "~/ui/parts/plain";
import { StarterList } from "~/ui/parts/room";

interface Props {
  readonly needsKitchen: boolean;
  readonly needsRecipes: boolean;
}

/** What a first class needs and nobody has made yet, chosen in place: a drawn kitchen, our starter recipes. */
export const FirstThings = ({ needsKitchen, needsRecipes }: Props) => (
  <Form method="post">
    <Hidden name="intent" value="begin" />
    {needsKitchen ? (
      <Fieldset.Root>
        <Fieldset.Legend>
          <Heading as="h2" size="xl">
            Choose the kitchen most like yours
          </Heading>
        </Fieldset.Legend>
        <Text color="fg.muted">Everything in it can be changed later, under Kitchens.</Text>
        <StarterList>
          {starterKinds.map((kind, index) => (
            <li key={kind}>
              <label>
                <Pick name="kitchen" value={kind} defaultChecked={index === 0} />
                <StarterSurfaces kind={kind} />
              </label>
            </li>
          ))}
        </StarterList>
      </Fieldset.Root>
    ) : null}
    {needsRecipes ? (
      <TickLabel>
        <Tick name="recipes" defaultChecked /> Add the three starter recipes: pancakes, waffles and crepes
      </TickLabel>
    ) : null}
    <Text mt="3.5">
      <Primary>Start with these</Primary>
    </Text>
  </Form>
);
