import { ChoiceRow, PickerBox } from "~/ui/parts/editor";
import { RowButton } from "~/ui/parts/keys";
import { useState } from "react";
import { type Ingredient, readIngredientName } from "~/core/pantry";
import type { DraftLine } from "~/core/recipe";
import { Cell } from "./cells";

/** The pantry's names, once on the page, for every ingredient field to offer. */
export const pantryListId = "pantry-names";

interface PickerProps {
  readonly line: Pick<DraftLine, "ingredientId" | "said" | "choices">;
  readonly pantry: readonly Ingredient[];
  readonly onIngredient: (ingredientId: string) => void;
  readonly path: string;
  readonly label?: string;
}

/** An ingredient by its name: typed, with the pantry's names offered, or one of the choices that a pasted line left. */
export function IngredientPicker({ line, pantry, onIngredient, path, label = "Ingredient" }: PickerProps) {
  const name = pantry.find((one) => one.id === line.ingredientId)?.name ?? line.ingredientId;
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const read = (text: string) => {
    setTyped(text);
    const found = readIngredientName(text, pantry);
    if (found.kind === "one") onIngredient(found.ingredientId);
    else if (text.trim() === "") onIngredient("");
  };
  return (
    <PickerBox>
      <Cell
        label={label}
        value={typed ?? name}
        onText={read}
        onBlur={() => {
          if (line.ingredientId !== "") setTyped(undefined);
        }}
        list={pantryListId}
        path={path}
        placeholder="which ingredient"
      />
      {line.ingredientId === "" && line.choices.length > 0 ? (
        <ChoiceRow>
          {line.choices.slice(0, 5).map((id) => (
            <RowButton
              key={id}
              onClick={() => {
                setTyped(undefined);
                onIngredient(id);
              }}
            >
              {pantry.find((one) => one.id === id)?.name ?? id}
            </RowButton>
          ))}
        </ChoiceRow>
      ) : null}
    </PickerBox>
  );
}
