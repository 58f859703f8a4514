import { Heading, Text } from "@chakra-ui/react";
import { TakeHomeBox } from "~/ui/parts/labels";
import { Fragment } from "react";
import type { TakeHome } from "~/core/pack";
import { list, temperature } from "~/ui/format/format";
import { substanceWords } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";

interface Props {
  readonly label: TakeHome;
  readonly made: string;
  readonly eatBy: string;
  readonly names: Names;
}

/** What goes home with cooled pieces: what is in it, with allergens standing out, and until when and how it is kept. */
export function TakeHomeLabel({ label, made, eatBy, names }: Props) {
  const { locale } = names;
  const sayAll = (some: readonly (keyof typeof substanceWords)[]) =>
    list(
      [...new Set(some)].map((one) => substanceWords[one]),
      locale,
    );
  const may = [...new Set(label.ingredients.flatMap((one) => one.mayContain))];
  const unread = label.ingredients.filter((one) => one.isUnread);
  return (
    <TakeHomeBox>
      <Heading as="h3" size="lg">
        {label.title}
        {label.roundName ? <span>, {label.roundName.toLowerCase()}</span> : null}
        {label.variantName ? <span>, {label.variantName.toLowerCase()}</span> : null}
      </Heading>
      <Text>
        Ingredients:{" "}
        {label.ingredients.map((one, index) => (
          <Fragment key={one.ingredientId}>
            {index > 0 ? ", " : ""}
            {one.contains.length + one.foods.length > 0 ? (
              <>
                <b>{names.ingredient(one.ingredientId)}</b> (
                <b>{list([...one.contains.map((each) => substanceWords[each]), ...one.foods], locale)}</b>)
              </>
            ) : (
              names.ingredient(one.ingredientId)
            )}
          </Fragment>
        ))}
        .
      </Text>
      {may.length > 0 ? (
        <Text>
          May contain <b>{sayAll(may)}</b>.
        </Text>
      ) : null}
      {label.alsoHandled.length > 0 ? (
        <Text>
          Made in a room where also <b>{sayAll(label.alsoHandled)}</b> was handled.
        </Text>
      ) : null}
      {unread.length > 0 ? (
        <Text layerStyle="needsYou">
          Label not read of{" "}
          {list(
            unread.map((one) => names.ingredient(one.ingredientId)),
            locale,
          )}
          : not known what is in it.
        </Text>
      ) : null}
      <Text>
        Made {made}. <b>Eat by {eatBy}.</b>
      </Text>
      <Text>
        Cool fully, then close. Keep at {temperature(label.keepAtMostC, label.keepAtMostC, locale)} or below; reheat
        once, steaming hot, to {temperature(label.reheatC, label.reheatC, locale)}. Local food rules come first.
      </Text>
    </TakeHomeBox>
  );
}
