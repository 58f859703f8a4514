import { Heading, Text } from "@chakra-ui/react";
import { TakeHomeBox } from "~/ui/parts/labels";
import type { StoredMix } from "~/core/pack";
import { toScaleGrams } from "~/core/quantity";
import { putOut } from "~/core/kit";
import { grams, list, sayPutOut } from "~/ui/format/format";
import { substanceWords } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";

interface Props {
  readonly mix: StoredMix;
  readonly made: string;
  readonly useBy: string;
  readonly names: Names;
}

/** One bag of dry mix for one batch on another day: what is in it, what goes to it, until when. */
export function StoredMixLabel({ mix, made, useBy, names }: Props) {
  const { locale } = names;
  const said = (ids: readonly string[]) => list(ids.map(names.ingredient), locale);
  const contains = [...new Set(mix.ingredients.flatMap((one) => [...one.contains]))];
  const may = [...new Set(mix.ingredients.flatMap((one) => [...one.mayContain]))];
  const foods = [...new Set(mix.ingredients.flatMap((one) => [...one.foods]))];
  const unread = mix.ingredients.filter((one) => one.isUnread).map((one) => one.ingredientId);
  const substances = (some: readonly (keyof typeof substanceWords)[]) =>
    list(
      some.map((one) => substanceWords[one]),
      locale,
    );
  return (
    <TakeHomeBox>
      <Heading as="h3" size="lg">
        Dry mix<span>, {names.dish(mix.dishId)}</span>
      </Heading>
      <Text>
        One batch{mix.grams === undefined ? "" : `, ${grams(toScaleGrams(mix.grams).shown, locale)}`}:{" "}
        {said(mix.ingredients.map((one) => one.ingredientId))}.
      </Text>
      <Text>
        Contains: <b>{contains.length > 0 ? substances(contains) : "nothing that has to be declared, by its labels"}</b>
        .
        {may.length > 0 ? (
          <>
            {" "}
            May contain <b>{substances(may)}</b>.
          </>
        ) : null}
      </Text>
      {foods.length > 0 ? (
        <Text>
          The labels name <b>{list(foods, locale)}</b>.
        </Text>
      ) : null}
      {unread.length > 0 ? (
        <Text layerStyle="needsYou">Label not read of {said(unread)}: not known what is in it.</Text>
      ) : null}
      <Text>
        Add{" "}
        {list(
          mix.add.map((line) =>
            line.main
              ? `${sayPutOut(putOut(line.main), locale)} ${names.ingredient(line.ingredientId)}`
              : names.ingredient(line.ingredientId),
          ),
          locale,
        )}
        .
      </Text>
      <Text>
        Made {made}. <b>Use by {useBy}</b>, dry and closed; the earliest date on its packets comes first.
      </Text>
    </TakeHomeBox>
  );
}
