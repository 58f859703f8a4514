import { useEffect } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { KeepAnswer } from "./keep";
import type { Ingredient } from "~/core/pantry";
import type { RecipeDraft } from "~/core/recipe";
import { readIngredientLine } from "~/formats/recipe-line";
import { Editor } from "~/ui/recipe/editor/Editor";
import { FormError } from "~/ui/parts/fields";

interface Props {
  readonly initial: RecipeDraft;
  readonly pantry: readonly Ingredient[];
  /** Ingredients that are put aside: read where they stand, not offered. */
  readonly aside: readonly string[];
  /** Null for a recipe that does not exist yet. */
  readonly recipeId: string | null;
  readonly revision: number;
  /** Where drafts are kept. */
  readonly action: string;
}

/** The editor with its way to the server: keeping answers here, and only a kept draft leaves the page. */
export function EditorPage({ initial, pantry, aside, recipeId, revision, action }: Props) {
  const fetcher = useFetcher<KeepAnswer>();
  const navigate = useNavigate();
  const storageKey = `recipe-draft ${recipeId ?? "new"}`;
  const answer = fetcher.data;
  const basedOn = answer?.basedOn ?? revision;
  useEffect(() => {
    if (!answer?.kept) return;
    sessionStorage.removeItem(storageKey);
    void navigate(`/recipes/${answer.kept.id}`);
  }, [answer, navigate, storageKey]);
  return (
    <>
      <FormError title="Not saved yet" problems={answer?.problems ?? []} />
      <Editor
        initial={initial}
        pantry={pantry}
        aside={new Set(aside)}
        recipeId={recipeId ?? "new"}
        revision={basedOn + 1}
        readLine={(text, draft) =>
          readIngredientLine(text, { pantry, system: draft.system || undefined, partId: "", isTopping: false })
        }
        onKeep={(draft) => {
          void fetcher.submit({ draft: JSON.stringify(draft), basedOn: String(basedOn) }, { method: "post", action });
        }}
        isBusy={fetcher.state !== "idle"}
        storageKey={storageKey}
        button={recipeId === null ? "Save the recipe" : `Save as revision ${basedOn + 1}`}
      />
    </>
  );
}
