import { Box, Heading, Span, Text } from "@chakra-ui/react";
import { useClass } from "../class-context";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { subjectsOf } from "~/ui/words/findings";
import { RecipeSheet } from "~/ui/recipe/RecipeSheet";
import { TextLink } from "~/ui/parts/fields";

/** The recipe as this class makes it. */
export default function ClassRecipe() {
  const { input, plan, standings, names, action } = useClass();
  const findings = plan.findings.filter((finding) => finding.stage === "recipe");
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  return (
    <>
      {input.dishes.length === 0 ? (
        <Text>
          No recipe chosen yet. <TextLink to="../brief">Choose one in the brief.</TextLink>
        </Text>
      ) : null}
      <Findings findings={findings} names={names} />
      {plan.dishes.map((dish) => (
        <Box as="section" mb="9" key={dish.id}>
          <Heading as="h2" size="xl" fontSize="3xl" mb="3.5">
            {dish.recipe.title}
            {dish.variantName ? `, ${dish.variantName.toLowerCase()}` : ""}{" "}
            <Span color="fg.muted" fontSize="sm">
              {dish.stations} {dish.stations === 1 ? "station" : "stations"}
            </Span>
          </Heading>
          <RecipeSheet
            recipe={dish.variantName ? { ...dish.recipe, variants: [] } : dish.recipe}
            ingredientName={names.ingredient}
            pantry={pantry}
          />
        </Box>
      ))}
      <SettleBar
        stage="recipe"
        standing={standings.recipe}
        subjectOf={subjectsOf(input)}
        timeZone={input.timeZone}
        action={action}
        {...(input.dishes.length === 0 ? { blockedBy: "Choose a recipe first." } : {})}
      />
    </>
  );
}
