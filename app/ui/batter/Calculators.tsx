import { Answer, SumCard, SumGrid } from "~/ui/parts/bench";
import { InlineFields } from "~/ui/parts/forms";
import { Box, Heading, Text } from "@chakra-ui/react";
import { SheetHead } from "~/ui/parts/sheet";
import { type ReactNode, useState } from "react";
import { type Pantry, eggsOfSize, fatMakeUpGrams, powderFor, saltSpoons, souringAcidMl } from "~/core/batter";
import { type MeasuringSystem, measuringSystems, readRatio, toNumber, inGrams, inMillilitres } from "~/core/quantity";
import type { Recipe } from "~/core/recipe";
import { number, thin } from "~/ui/format/format";
import { Cell, Pick } from "~/ui/recipe/editor/cells";
import { useLocale } from "~/ui/sheet/locale";
import { systemWords } from "~/ui/words/batter";

/** A typed number within bounds; undefined while it is none. */
const numberIn = (text: string, least: number, most: number): number | undefined => {
  const read = readRatio(text);
  const value = read && toNumber(read);
  return value !== undefined && value >= least && value <= most ? value : undefined;
};

function Sum({
  title,
  children,
  answer,
  formula,
}: {
  title: string;
  children: ReactNode;
  answer: string;
  formula: string;
}) {
  return (
    <SumCard aria-label={title}>
      <Heading as="h3" size="lg">
        {title}
      </Heading>
      <InlineFields isTight>{children}</InlineFields>
      <Answer>{answer}</Answer>
      <Text fontSize="sm" color="fg.muted">
        {formula}
      </Text>
    </SumCard>
  );
}

const wantNumber = "Give a number here.";

/** The five sums that are always done on the back of an envelope, with their formula and where the result goes. */
export function Calculators({ recipe, pantry }: { recipe: Recipe; pantry: Pantry }) {
  const locale = useLocale();
  const [system, setSystem] = useState<MeasuringSystem>(recipe.system);
  const [flour, setFlour] = useState("150");
  const [milk, setMilk] = useState("250");
  const [salt, setSalt] = useState("1");
  const [eggs, setEggs] = useState("3");
  const [fatMilk, setFatMilk] = useState("500");
  const [points, setPoints] = useState("2");
  const n = (value: number, digits = 1) => number(value, locale, digits);
  const [flourG, milkMl, saltTsp, eggCount, fatMl, fatPoints] = [
    numberIn(flour, 1, 100_000),
    numberIn(milk, 1, 100_000),
    numberIn(salt, 0.05, 1000),
    numberIn(eggs, 0.25, 1000),
    numberIn(fatMilk, 1, 100_000),
    numberIn(points, 0.1, 40),
  ];
  const powder = flourG === undefined ? undefined : powderFor(inGrams(flourG), system);
  const acid = milkMl === undefined ? undefined : souringAcidMl(inMillilitres(milkMl), system);
  const [fine, coarse] = [pantry.get("fine-salt"), pantry.get("coarse-salt")];
  const spoons = saltTsp !== undefined && fine && coarse ? saltSpoons(saltTsp, fine, coarse) : undefined;
  const large =
    eggCount === undefined
      ? undefined
      : eggsOfSize(eggCount, pantry.get("egg")?.pieceGrams ?? inGrams(50), pantry.get("large-egg")?.pieceGrams ?? 60);
  const milkDensity = pantry.get("whole-milk")?.trueDensity ?? 1.03;
  const butter =
    fatMl !== undefined && fatPoints !== undefined
      ? fatMakeUpGrams(inGrams(fatMl * milkDensity), fatPoints)
      : undefined;
  return (
    <Box as="section" aria-label="Small sums">
      <SheetHead mt="6">
        <Heading as="h2" size="xl">
          Small sums
        </Heading>
        <Pick
          label="Spoons are"
          value={system}
          options={measuringSystems.map((one) => ({ value: one, label: systemWords[one] }))}
          onPick={setSystem}
        />
      </SheetHead>
      <SumGrid>
        <Sum
          title="Self-raising from plain"
          answer={
            powder
              ? `${n(powder.tsp, 2)}${thin}tsp baking powder${powder.saltTsp > 0 ? ` and ${n(powder.saltTsp, 2)}${thin}tsp salt` : ""}, whisked into the dry bowl.`
              : wantNumber
          }
          formula={
            {
              uk: "2 tsp to 150 g, the UK rule.",
              us: "1½ tsp and ¼ tsp salt to a cup of 122 g, the US rule.",
              au: "2 tsp to a metric cup, the Australian rule.",
            }[powder?.rule ?? "uk"]
          }
        >
          <Cell label="Plain flour" isLabelled unit="g" value={flour} onText={setFlour} />
        </Sum>
        <Sum
          title="Soured milk"
          answer={
            acid === undefined || milkMl === undefined
              ? wantNumber
              : `${n(acid)}${thin}ml lemon juice or vinegar into the milk: on top of ${n(milkMl, 0)}${thin}ml, or made up to the mark with ${n(milkMl - acid, 0)}${thin}ml milk. Wait five minutes.`
          }
          formula="One tablespoon to the cup; the books differ on whether it is on top or in it."
        >
          <Cell label="Cultured milk wanted" isLabelled unit="ml" value={milk} onText={setMilk} />
        </Sum>
        <Sum
          title="Coarse for fine salt"
          answer={
            spoons
              ? `${n(spoons.likely, 2)}${thin}tsp coarse salt, ${n(spoons.low, 2)} to ${n(spoons.high, 2)} by the brand. Weigh it where it matters.`
              : wantNumber
          }
          formula={`Same weight: spoons × ${n(fine?.gramsPerTsp ?? 6)} g fine ÷ ${n(coarse?.tspSpread?.low ?? 3)}–${n(coarse?.tspSpread?.high ?? 5)} g coarse. Goes where the fine salt went.`}
        >
          <Cell label="Fine salt" isLabelled unit="tsp" value={salt} onText={setSalt} />
        </Sum>
        <Sum
          title="Larger eggs"
          answer={
            large
              ? `${n(large.exact, 2)} large eggs; ${large.whole} ${large.gramsOff === 0 ? "is the same" : `is ${n(Math.abs(large.gramsOff), 0)}${thin}g ${large.gramsOff > 0 ? "more: hold a spoon of milk back" : "less: a spoon of milk more"}`}.`
              : wantNumber
          }
          formula="Without shells: 50 g a medium, 60 g a large (EU). Into the wet bowl."
        >
          <Cell label="Eggs of 50 g" isLabelled value={eggs} onText={setEggs} />
        </Sum>
        <Sum
          title="Leaner milk"
          answer={
            butter === undefined
              ? wantNumber
              : `${n(butter)}${thin}g butter, melted, into the wet bowl makes up the fat.`
          }
          formula="Milk in grams × points of fat it lacks ÷ 81, the fat in butter."
        >
          <Cell label="Milk" isLabelled unit="ml" value={fatMilk} onText={setFatMilk} />
          <Cell label="Leaner by" isLabelled unit="points" value={points} onText={setPoints} />
        </Sum>
      </SumGrid>
    </Box>
  );
}
