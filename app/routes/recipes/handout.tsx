import { Span } from "@chakra-ui/react";
import { InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { useNavigation } from "react-router";
import type { Route } from "./+types/handout";
import { batterOf } from "~/core/batter";
import { kitOf } from "~/core/kit";
import { measuringSetOf, measuringSets, scoopTolerance, inPieces, largest } from "~/core/quantity";
import { withCautions } from "~/core/caution";
import { asVariant } from "~/core/recipe";
import { loadsFor, scaleStation } from "~/core/scale";
import { recipeWithPantry } from "~/services/recipes.server";
import { HomeSheet } from "~/ui/recipe/HomeSheet";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { PlainInput, PlainSelect } from "~/ui/parts/plain";

const most = 60;

export async function loader({ params, request }: Route.LoaderArgs) {
  const { recipe, pantry } = await recipeWithPantry(params.recipeId);
  const search = new URL(request.url).searchParams;
  const asked = Number(search.get("pieces"));
  const set = measuringSets.find((one) => one.id === search.get("set"));
  const variant = recipe.variants.find((one) => one.id === search.get("way"));
  return {
    recipe,
    pantry,
    variantId: variant?.id ?? null,
    pieces: Number.isInteger(asked) && asked >= 1 ? Math.min(asked, most) : 8,
    isTooMany: asked > most,
    setId: set?.id ?? measuringSets.find((one) => one.system === recipe.system)?.id ?? "metric-usual",
  };
}

/** One page to take home: the same recipe at home size, in the reader's own cups, with the scale beside. */
export default function Handout({ loaderData, params }: Route.ComponentProps) {
  const { recipe: written, pantry, pieces, setId, variantId, isTooMany } = loaderData;
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const recipe = withCautions(asVariant(written, variantId), byId);
  const scale = scaleStation(recipe, batterOf(recipe, byId), pieces, "quarter");
  const kit = kitOf(
    recipe,
    byId,
    scale.factor,
    { loads: loadsFor(largest(inPieces(1), scale.piecesMade), 3), pieces: scale.piecesMade, people: 1 },
    {
      set: measuringSetOf(setId),
      tolerance: scoopTolerance,
      easesSpice: false,
    },
  );
  const isBusy = useNavigation().state === "loading";
  return (
    <>
      <title>{`${recipe.title}, for home · Apron Bell`}</title>
      <InlineFieldsForm isTight _print={{ display: "none" }} method="get">
        <InlineField>
          <InlineLabel>Pieces</InlineLabel>
          <PlainInput name="pieces" defaultValue={pieces} inputMode="numeric" />
          {isTooMany ? (
            <Span layerStyle="needsYou" fontSize="sm">
              At most {most} on a page for home.
            </Span>
          ) : null}
        </InlineField>
        <InlineField>
          <InlineLabel>The reader has</InlineLabel>
          <PlainSelect name="set" defaultValue={setId}>
            {measuringSets.map((set) => (
              <option key={set.id} value={set.id}>
                {set.name}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        {written.variants.length > 0 ? (
          <InlineField>
            <InlineLabel>Variant</InlineLabel>
            <PlainSelect name="way" defaultValue={variantId ?? ""}>
              <option value="">as written</option>
              {written.variants.map((variant) => (
                <option key={variant.id} value={variant.id}>
                  {variant.name}
                </option>
              ))}
            </PlainSelect>
          </InlineField>
        ) : null}
        <Secondary loading={isBusy}>Show</Secondary>
        <PrintButton>Print</PrintButton>
        <TextLink to={`/recipes/${params.recipeId}`}>Back to the recipe</TextLink>
      </InlineFieldsForm>
      <HomeSheet
        recipe={recipe}
        way={written.variants.find((one) => one.id === variantId)?.name}
        kit={kit}
        scale={scale}
        ingredientName={(id) => byId.get(id)?.name ?? id}
        set={measuringSetOf(setId)}
      />
    </>
  );
}
