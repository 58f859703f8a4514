import { useClass } from "../class-context";
import { type BarPlace, toppingBarOf } from "~/core/pack";
import { toScaleGrams } from "~/core/quantity";
import { grams, list, people, volume } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { substanceWords } from "~/ui/words/en";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

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
      <div className={look(parts.sheet.head, "no-print")}>
        <h2>Topping bar</h2>
        <p className={look("quiet")}>
          A bowl and a spoon of its own for each, nobody dips twice; who may not have one takes first, from a bowl kept
          for them.
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the labels</PrintButton>
        </div>
      </div>
      {bar.length === 0 ? (
        <p className={look("quiet")}>
          No recipe of this class has a topping. <TextLink to={`${action}/recipe`}>The recipes</TextLink>
        </p>
      ) : null}
      <div className={look("take-home-labels")}>
        {bar.map(({ key, food, stands, mark, dishIds, people: all, takers, grams: weight, bowl }) => (
          <article className={look("take-home")} key={key}>
            <h3>{"part" in food ? food.part : names.ingredient(food.ingredientId)}</h3>
            <p>
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
            </p>
            {mark.foods.length > 0 ? (
              <p>
                The label names <b>{list(mark.foods, locale)}</b>.
              </p>
            ) : null}
            {mark.isUnread ? <p className={look("needs-you")}>Label not read: not known what is in it.</p> : null}
            <p>
              {weight === null ? (
                <span className={look("needs-you")}>
                  To taste: nothing is bought for it until the recipe says how much each person takes.
                </span>
              ) : (
                <>
                  <b>{grams(toScaleGrams(weight).shown, locale)}</b>
                  {bowl
                    ? `, ${bowl.count > 1 ? `${bowl.count} bowls` : "a bowl"} of ${volume(bowl.sizeMl, locale)}`
                    : ""}
                </>
              )}{" "}
              for {takers < all ? `${takers} of ${people(all)}` : people(all)}. A spoon of its own.{standsWords[stands]}
            </p>
            <p className={look("quiet", "small")}>
              {list(
                dishIds.map((id) => names.dish(id)),
                locale,
              )}
            </p>
          </article>
        ))}
      </div>
    </>
  );
}
