import { Fieldset, Heading, Span, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { starterKinds, starterKitchens } from "~/core/gear";
import { SurfaceDrawing } from "~/ui/draw/SurfaceDrawing";
import { Primary } from "~/ui/parts/fields";
import { RoomChoice, RoomChoices, TickLabel } from "~/ui/parts/forms";
import { Hidden, Pick, Tick } from "~/ui/parts/plain";
import { useLocale } from "~/ui/sheet/locale";
import { surfaceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";

/** Pieces of this width are drawn on a surface, which does not know of recipes. */
const drawnPiece = { pieceDiameterCm: 10 };

interface Props {
  readonly needsKitchen: boolean;
  readonly needsRecipes: boolean;
}

/** What a first class needs and nobody has made yet, chosen in place: a drawn kitchen, our starter recipes. */
export function FirstThings({ needsKitchen, needsRecipes }: Props) {
  const words = wordsIn(surfaceWords, useLocale());
  return (
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
          <RoomChoices>
            {starterKinds.map((kind, index) => (
              <RoomChoice key={kind}>
                <Pick name="kitchen" value={kind} defaultChecked={index === 0} />
                <b>{starterKitchens[kind].name}</b>
                {starterKitchens[kind].surfaces.map((surface) => (
                  <span key={surface.id}>
                    <SurfaceDrawing surface={surface} recipe={drawnPiece} />
                    <Span color="fg.muted" fontSize="sm">
                      {surface.count} × {words[surface.kind]}
                      {surface.at === "station" ? " at each station" : ""}
                    </Span>
                  </span>
                ))}
              </RoomChoice>
            ))}
          </RoomChoices>
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
}
