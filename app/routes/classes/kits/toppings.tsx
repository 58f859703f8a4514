import { Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { TakeHomeGrid, TakeHomeBox } from "~/ui/parts/labels";
import { useClass } from "../class-context";
import { type BarPlace, toppingBarOf } from "~/core/pack";
import { toScaleGrams } from "~/core/quantity";
import { grams, list, people, volume } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { substanceWords } from "~/ui/words/en";

/** Where a bowl stands, if not on the bar. */
const standsWords: Readonly<Record<BarPlace, string>> = {
  bar: "",
  heat: " At the heat: it goes on while a piece cooks.",
  table: " At each table: it is put between.",
};

/** The topping bar: one bowl, one spoon and one label for each, with how much of it goes there. */
export default function Toppings() {
  const { input, plan, names, action } = useClass();
  const bar = toppingBarOf(input, plan);
  const { locale } = names;
  const said = (some: readonly (keyof typeof substanceWords)[]) =>
    list(
      some.map((one) => substanceWords[one]),
      locale,
    );
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          Topping bar
        </Heading>
        <Text color="fg.muted">
          A bowl and a spoon of its own for each, nobody dips twice; who may not have one takes first, from a bowl kept
          for them.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the labels</PrintButton>
        </SheetTools>
      </SheetHead>
      {bar.length === 0 ? (
        <Text color="fg.muted">
          No recipe of this class has a topping. <TextLink to={`${action}/recipe`}>The recipes</TextLink>
        </Text>
      ) : null}
      <TakeHomeGrid>
        {bar.map(({ key, food, stands, mark, dishIds, people: all, takers, grams: weight, bowl }) => (
          <TakeHomeBox key={key}>
            <Heading as="h3" size="lg">
              {"part" in food ? food.part : names.ingredient(food.ingredientId)}
            </Heading>
            <Text>
              Contains:{" "}
              <b>
                {mark.contains.length > 0
                  ? said(mark.contains)
                  : mark.isUnread
                    ? "not known yet"
                    : mark.hasLabel
                      ? "nothing that was declared"
                      : "fresh food, no label to read"}
              </b>
              .
              {mark.mayContain.length > 0 ? (
                <>
                  {" "}
                  May contain <b>{said(mark.mayContain)}</b>.
                </>
              ) : null}
            </Text>
            {mark.foods.length > 0 ? (
              <Text>
                The label names <b>{list(mark.foods, locale)}</b>.
              </Text>
            ) : null}
            {mark.isUnread ? <Text layerStyle="needsYou">Label not read: not known what is in it.</Text> : null}
            <Text>
              {weight === null ? (
                <Span layerStyle="needsYou">
                  To taste: nothing is bought for it until the recipe says how much each person takes.
                </Span>
              ) : (
                <>
                  <b>{grams(toScaleGrams(weight).shown, locale)}</b>
                  {bowl
                    ? `, ${bowl.count > 1 ? `${bowl.count} bowls` : "a bowl"} of ${volume(bowl.sizeMl, locale)}`
                    : ""}
                </>
              )}{" "}
              for {takers < all ? `${takers} of ${people(all)}` : people(all)}. A spoon of its own.{standsWords[stands]}
            </Text>
            <Text color="fg.muted" fontSize="sm">
              {list(
                dishIds.map((id) => names.dish(id)),
                locale,
              )}
            </Text>
          </TakeHomeBox>
        ))}
      </TakeHomeGrid>
    </>
  );
}
