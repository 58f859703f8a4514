import { HandoutBody, HandoutCautions, HandoutIntro, HandoutList, HandoutSheet } from "~/ui/parts/handout";
import { Box, Heading, List, Span, Text } from "@chakra-ui/react";
import { CardHead } from "~/ui/parts/card";
import { Caution } from "~/ui/parts/recipe";
import { wordsIn } from "~/ui/words/regional";
import { looksOf } from "~/core/look";
import { type KitLine, putOut } from "~/core/kit";
import type { MeasuringSet } from "~/core/quantity";
import { type Recipe, cooksPieces } from "~/core/recipe";
import type { StationScale } from "~/core/scale";
import { fraction, minutes, temperature } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Grams, PutOutText } from "~/ui/sheet/Quantity";
import { sayHalves, sayWarmth } from "~/ui/words/batter";
import { byBowl } from "~/ui/kit/groups";
import { closingCaution, cueWords, hazardWords, testWords } from "~/ui/words/en";

interface Props {
  readonly recipe: Recipe;
  readonly way: string | undefined;
  readonly kit: readonly KitLine[];
  readonly scale: StationScale;
  readonly set: MeasuringSet;
  readonly ingredientName: (id: string) => string;
}

function HomeAmount({ line }: { line: KitLine }) {
  if (!line.main) return <Span color="fg.muted">{line.kind === "unknown" ? "ask your instructor" : "to taste"}</Span>;
  const isCounted = line.main.amount.unit === "piece";
  return (
    <>
      <PutOutText of={line.main} />
      {line.main.onScale && !isCounted && putOut(line.main).by !== "scale" ? (
        <Span color="fg.muted">
          {" "}
          (<Grams value={line.main.onScale.shown} />)
        </Span>
      ) : null}
      {line.kind === "per-person" ? <Span color="fg.muted"> each person</Span> : null}
      {line.apart?.scoops ? (
        <Span color="fg.muted">
          , up to <PutOutText of={line.apart} /> more
        </Span>
      ) : null}
    </>
  );
}

/** The page a participant takes home. */
export function HomeSheet({ recipe, way, kit, scale, set, ingredientName }: Props) {
  const locale = useLocale();
  const { heat, rest } = recipe;
  const looks = looksOf(recipe);
  const cautions = [...new Set(recipe.steps.flatMap((step) => step.hazards))];
  return (
    <HandoutSheet>
      <CardHead>
        <Heading as="h1" size="2xl">
          {recipe.title}
          {way ? `, ${way.toLowerCase()}` : ""}
        </Heading>
        <span data-part="made">makes {scale.piecesMade}</span>
      </CardHead>
      {recipe.intro ? <HandoutIntro>{recipe.intro}</HandoutIntro> : null}
      <HandoutBody>
        <Box>
          {byBowl(kit).map(({ key, title, lines }) => {
            return (
              <Box as="section" key={key}>
                <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
                  {title}
                </Heading>
                <HandoutList>
                  {lines.map((line) => (
                    <li key={line.lineId}>
                      <span>
                        {ingredientName(line.ingredientId)}
                        {line.round === undefined ? null : <span>, only for: {line.round.toLowerCase()}</span>}
                        {line.note ? <Span color="fg.muted">, {line.note}</Span> : null}
                        {line.isOptional ? <Span color="fg.muted"> (if you like)</Span> : null}
                      </span>
                      <b>
                        <HomeAmount line={line} />
                      </b>
                    </li>
                  ))}
                </HandoutList>
              </Box>
            );
          })}
          <Text fontSize="sm" color="fg.muted">
            {fraction(scale.factor, locale)} × the recipe. {set.name}, levelled; scales beside.
          </Text>
        </Box>
        <Box>
          <List.Root as="ol" data-part="method">
            {recipe.steps.map((step) => (
              <li key={step.id}>
                {step.text}
                {step.kind === "preheat" ? (
                  <Span color="fg.muted">
                    {" "}
                    About {temperature(heat.surfaceC.from, heat.surfaceC.to, locale)}; pour when {testWords[heat.test]}.
                  </Span>
                ) : null}
                {step.warmth ? <Span color="fg.muted"> {sayWarmth(step, locale)}</Span> : null}
                {cooksPieces(step, recipe) ? (
                  <Span color="fg.muted">
                    {" "}
                    {sayHalves(recipe, ingredientName, locale)} First side {minutes(heat.side1.low, locale)}–
                    {minutes(heat.side1.high, locale)}
                    {heat.side2
                      ? `, second ${minutes(heat.side2.low, locale)}–${minutes(heat.side2.high, locale)}`
                      : ""}
                    .{" "}
                    {looks.turn.length > 0
                      ? `Turn when: ${looks.turn.map((cue) => wordsIn(cueWords, locale)[cue]).join(", ")}. `
                      : ""}
                    Done when: {looks.done.map((cue) => wordsIn(cueWords, locale)[cue]).join(", ")}.
                    {recipe.blindNote ? ` ${recipe.blindNote}` : ""}
                  </Span>
                ) : null}
              </li>
            ))}
          </List.Root>
          <Text fontSize="sm">
            {rest.min > 0 ? `Let it rest ${minutes(rest.min, locale)}. ` : ""}
            {rest.max === null ? "" : `Pour the last within ${minutes(rest.max, locale)} of mixing.`}
          </Text>
        </Box>
      </HandoutBody>
      <HandoutCautions>
        {cautions.map((hazard) => (
          <Caution key={hazard}>{hazardWords[hazard]}</Caution>
        ))}
        <Text fontSize="sm" color="fg.muted">
          {closingCaution} Read every label again: the packet at home may be another one.
        </Text>
      </HandoutCautions>
    </HandoutSheet>
  );
}
