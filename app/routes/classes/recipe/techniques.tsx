import { Box, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { useClass } from "../class-context";
import { correctionStep, techniquesIn } from "~/core/look";
import { dishesOnce, kindsUsed, recipesMade } from "~/core/plan";
import { Techniques } from "~/ui/recipe/Techniques";
import { Troubles } from "~/ui/recipe/Troubles";
import { PrintButton } from "~/ui/parts/PrintButton";

/** What hands do in this class, and what to do about a piece that looks wrong, as one sheet for the wall. */
export default function TechniquesSheet() {
  const { input, plan, names } = useClass();
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const shown = techniquesIn(recipesMade(plan), pantry);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          How it is done
        </Heading>
        <Text color="fg.muted">
          The movements of this class, and what to do about a piece that looks wrong, for the wall. They follow from the
          recipes.
        </Text>
        <SheetTools>
          <PrintButton>Print</PrintButton>
        </SheetTools>
      </SheetHead>
      {shown.length === 0 ? (
        <Text>Nothing has to be shown: no recipe is made in this class yet.</Text>
      ) : (
        <Techniques of={shown} isLarge />
      )}
      {dishesOnce(plan).map((dish) => (
        <Box as="section" mt="6" key={dish.id}>
          <Heading as="h3" size="lg">
            A piece looks wrong: {dish.recipe.title}
          </Heading>
          <Troubles
            family={dish.recipe.family}
            kinds={kindsUsed(input, plan, dish.recipe)}
            step={correctionStep(dish.recipe, dish.batter, pantry, 1)}
            names={names}
          />
        </Box>
      ))}
    </>
  );
}
