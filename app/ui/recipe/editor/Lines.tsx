import { Grip, Guess, LineDetails, LineItem, LineMain, LineMore, LineSecond, LineTaste } from "~/ui/parts/editor";
import { LuGripVertical } from "react-icons/lu";
import { RowButton } from "~/ui/parts/keys";
import { Box, Fieldset, Text } from "@chakra-ui/react";
import { RowButtons, TickLabel } from "~/ui/parts/forms";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { type Ingredient, massRange } from "~/core/pantry";
import {
  type DraftAlternative,
  type DraftLine,
  type DraftPart,
  type DraftRound,
  type Greasing,
  type Recipe,
  amountKinds,
  bowls,
  expectedOf,
  isForPlate,
  kindOfTyped,
} from "~/core/recipe";
import { grams } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { amountKindWords, guessWords, massBecause, sayGreasing, secondWords } from "~/ui/words/batter";
import { bowlWords } from "~/ui/words/en";
import { Cell, Pick, Problem } from "./cells";
import { IngredientPicker } from "./IngredientPicker";
import { FoldTitle, Tick } from "~/ui/parts/plain";

interface RowProps {
  readonly line: DraftLine;
  readonly path: string;
  readonly recipe: Recipe;
  readonly pantry: readonly Ingredient[];
  readonly parts: readonly DraftPart[];
  readonly rounds: readonly DraftRound[];
  /** Share of the line that the steps use, written out; undefined where shares do not matter. */
  readonly drawn: string | undefined;
  readonly onLine: (change: Partial<DraftLine>, field: string) => void;
  readonly onRemove: () => void;
  readonly onMove?: (by: -1 | 1) => void;
}

/** How often a surface may be greased, in the list; any number to 20 is kept. */
const greasings: readonly Greasing[] = ["first", 2, 3, 4, 5];

/** The amount of a line in grams with what is not sure about it. */
function MassNote({ line, recipe, pantry }: Pick<RowProps, "line" | "recipe" | "pantry">) {
  const locale = useLocale();
  const read = recipe.lines.find((one) => one.id === line.id);
  const ingredient = pantry.find((one) => one.id === line.ingredientId);
  const amount = read && expectedOf(read.amount);
  const range = amount && ingredient && massRange(amount, ingredient, recipe.system, recipe.fill);
  if (!range || range.because === "weighed") return null;
  // Only what differs enough to make another batter is worth a word on every line.
  const isWorthSaying = range.because === "fill-method" || range.because === "brand";
  return (
    <>
      {" "}
      · {grams(range.likely, locale)}
      {isWorthSaying
        ? `, ${grams(range.low, locale)} to ${grams(range.high, locale)} ${massBecause[range.because]}`
        : ""}
    </>
  );
}

type RowPart<K extends keyof RowProps> = { readonly [P in K]: RowProps[P] };

/** "Buttermilk or yogurt": what does for the line, or does not, with the reason. A class chooses among them. */
function Alternatives({ line, pantry, path, onLine }: RowPart<"line" | "pantry" | "path" | "onLine">) {
  const rows = line.alternatives ?? [];
  const set = (next: readonly DraftAlternative[], field: string) => onLine({ alternatives: next }, field);
  const change = (at: number, more: Partial<DraftAlternative>, field: string) =>
    set(
      rows.map((row, index) => (index === at ? { ...row, ...more } : row)),
      field,
    );
  return (
    <Fieldset.Root>
      <Fieldset.Legend>Or instead of it</Fieldset.Legend>
      {rows.map((row, at) => (
        <LineSecond key={at}>
          <Pick
            label="It"
            value={row.isAdvised ? "yes" : "no"}
            options={[
              { value: "yes", label: "does" },
              { value: "no", label: "does not" },
            ]}
            onPick={(value) => change(at, { isAdvised: value === "yes" }, "")}
          />
          <IngredientPicker
            line={{ ingredientId: row.ingredientId, said: "", choices: [] }}
            pantry={pantry}
            onIngredient={(ingredientId) => change(at, { ingredientId }, `alternative-${at}`)}
            path={`${path}.alternatives.${row.ingredientId}`}
            label={`Alternative ${at + 1}`}
          />
          <Cell
            span="amount"
            label="so much of it"
            isLabelled
            value={row.amount}
            placeholder="as much"
            onText={(amount) => change(at, { amount }, `alternative-amount-${at}`)}
            path={`${path}.alternatives.${row.ingredientId}.amount`}
          />
          <Cell
            label="because"
            isLabelled
            value={row.reason}
            maxLength={200}
            onText={(reason) => change(at, { reason }, `alternative-reason-${at}`)}
          />
          <RowButton
            onClick={() =>
              set(
                rows.filter((_row, index) => index !== at),
                "",
              )
            }
          >
            Not this one
          </RowButton>
        </LineSecond>
      ))}
      {rows.length < 8 ? (
        <RowButton onClick={() => set([...rows, { ingredientId: "", amount: "", isAdvised: true, reason: "" }], "")}>
          Add an alternative
        </RowButton>
      ) : null}
    </Fieldset.Root>
  );
}

export function LineFields({ line, path, recipe, pantry, parts, rounds, drawn, onLine, onRemove, onMove }: RowProps) {
  const second = secondWords[line.kind];
  const settle = { guesses: [] as const };
  return (
    <>
      <LineMain>
        {line.kind === "to-taste" ? (
          <LineTaste color="fg.muted">to taste</LineTaste>
        ) : (
          <Cell
            span="amount"
            label={line.kind === "packs" ? "How many packs" : line.kind === "unknown" ? "What was said" : "Amount"}
            value={line.amount}
            onText={(amount) => onLine({ amount, kind: kindOfTyped(line, amount, recipe.system) }, "amount")}
            path={`${path}.amount`}

            placeholder="125 g"
          />
        )}
        <IngredientPicker
          line={line}
          pantry={pantry}
          onIngredient={(ingredientId) => onLine({ ingredientId, guesses: [] }, "ingredient")}
          path={`${path}.ingredientId`}
        />
        <Pick
          span="bowl"
          label="Bowl"
          value={line.bowl}
          options={bowls.map((bowl) => ({ value: bowl, label: bowlWords[bowl] }))}
          onPick={(bowl) => onLine({ bowl, ...settle }, "bowl")}
        />
      </LineMain>
      {line.kind === "per-load" ? (
        <LineSecond>
          <Pick
            label="greased before"
            isLabelled
            value={line.second}
            empty={sayGreasing(undefined)}
            options={greasings.map((every) => ({ value: String(every), label: sayGreasing(every) }))}
            onPick={(every) => onLine({ second: every }, "second")}
            path={`${path}.second`}
          />
        </LineSecond>
      ) : null}
      {second ? (
        <LineSecond>
          <Cell
            label={second}
            isLabelled
            value={line.second}
            onText={(text) => onLine({ second: text }, "second")}
            path={`${path}.second`}
          />
          {line.kind === "packs" ? (
            <Cell
              label="called"
              isLabelled
              value={line.packName}
              onText={(packName) => onLine({ packName }, "packName")}
            />
          ) : null}
        </LineSecond>
      ) : null}
      <LineMore>
        <FoldTitle>
          {line.kind === "exact" ? "" : `${amountKindWords[line.kind]}; `}
          {drawn === undefined ? (
            ""
          ) : drawn === "1" ? (
            "used"
          ) : drawn === "0" ? (
            <Text as="b" layerStyle="needsYou">
              not used yet
            </Text>
          ) : (
            <Text as="b" layerStyle="needsYou">
              used {drawn}
            </Text>
          )}
          {line.note ? `; ${line.note}` : ""}
          {line.isOptional ? "; optional" : ""}
          {line.keepsPercent !== "100" ? `; ${line.keepsPercent} % stays` : ""}
          <MassNote line={line} recipe={recipe} pantry={pantry} />
        </FoldTitle>
        <LineDetails>
          <Pick
            label="Amount is"
            isLabelled
            value={line.kind}
            options={amountKinds.map((kind) => ({ value: kind, label: amountKindWords[kind] }))}
            onPick={(kind) => onLine({ kind, ...settle }, "kind")}
          />
          <Cell label="Note" isLabelled value={line.note} onText={(note) => onLine({ note }, "note")} />
          <Cell
            span="tiny"
            label="Stays after squeezing, peeling"
            isLabelled
            unit="%"
            value={line.keepsPercent}
            onText={(keepsPercent) => onLine({ keepsPercent }, "keeps")}
            path={`${path}.keepsPercent`}
          />
          {parts.length > 0 ? (
            <Pick
              label="Belongs to"
              isLabelled
              value={line.partId}
              empty="the batter"
              options={parts.map((part) => ({ value: part.id, label: part.name || "unnamed part" }))}
              onPick={(partId) => {
                const kind = parts.find((part) => part.id === partId)?.kind;
                onLine({ partId, ...(isForPlate(kind) ? { bowl: "topping" as const } : {}) }, "part");
              }}
            />
          ) : null}
          {rounds.length > 1 ? (
            <Pick
              label="Only for"
              isLabelled
              value={line.roundId ?? ""}
              empty="all pieces"
              options={rounds.map((round) => ({ value: round.id, label: round.name || "unnamed round" }))}
              onPick={(roundId) => onLine({ roundId }, "round")}
            />
          ) : null}
          <Alternatives line={line} pantry={pantry} path={path} onLine={onLine} />
          <TickLabel>
            <Tick
              checked={line.isOptional}
              onChange={(event) => onLine({ isOptional: event.target.checked }, "optional")}
            />
            optional
          </TickLabel>
          <RowButtons>
            {onMove ? (
              <>
                <RowButton onClick={() => onMove(-1)}>Move up</RowButton>
                <RowButton onClick={() => onMove(1)}>Move down</RowButton>
              </>
            ) : null}
            <RowButton onClick={onRemove}>Take off the list</RowButton>
          </RowButtons>
        </LineDetails>
      </LineMore>
      {line.said && line.guesses.length > 0 ? (
        <Guess fontSize="sm">
          From “{line.said}”: {line.guesses.map((guess) => guessWords[guess]).join(", ")}.{" "}
          <RowButton onClick={() => onLine({ guesses: [] }, "guesses")}>It is right</RowButton>
        </Guess>
      ) : null}
      <Problem path={path} />
    </>
  );
}

/** One line of the list; can be dragged onto a step, or to another place. */
export function LineRow(props: RowProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: `line:${props.line.id}`,
  });
  const name = props.pantry.find((one) => one.id === props.line.ingredientId)?.name ?? "this line";
  return (
    <LineItem
      isDragging={isDragging}
      hasGuess={props.line.guesses.length > 0 && props.line.said !== ""}
      ref={setNodeRef}

      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <Grip
        type="button"

        ref={setActivatorNodeRef}
        aria-label={`Move ${name}, or drop it on a step`}
        {...attributes}
        {...listeners}
      >
        <LuGripVertical aria-hidden="true" />
      </Grip>
      <Box>
        <LineFields {...props} />
      </Box>
    </LineItem>
  );
}
