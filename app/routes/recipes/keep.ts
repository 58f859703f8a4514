import { data } from "react-router";
import { readDraftField } from "./draft-schema";
import { formOf } from "../form";
import { keepRevision } from "~/services/recipes.server";
import { sayProblem } from "~/ui/words/batter";

/** What the editor is told after it asked to keep a draft. */
export interface KeepAnswer {
  readonly kept?: { readonly id: string; readonly revision: number };
  /** Sentences for the top of the page. */
  readonly problems?: readonly string[];
  /** The revision somebody else kept meanwhile: keeping again makes the next one. */
  readonly basedOn?: number;
}

/** Keeps a posted draft; every refusal says what is wanted and changes nothing. */
export async function keepPosted(request: Request, recipeId: string | null, accountId: string) {
  const form = await formOf(request);
  const draft = readDraftField(form.get("draft"));
  const basedOn = Number(form.get("basedOn") ?? 0);
  const answer = (value: KeepAnswer, status: number) => data(value, { status });
  if (!draft || !Number.isInteger(basedOn))
    return answer({ problems: ["The draft did not arrive whole. It is still on this page; save it again."] }, 400);
  const done = await keepRevision(recipeId, basedOn, draft, accountId);
  switch (done.kind) {
    case "kept":
      return answer({ kept: { id: done.recipe.id, revision: done.recipe.revision } }, 200);
    case "problems":
      return answer({ problems: done.problems.slice(0, 6).map((problem) => sayProblem(problem, "en-GB")) }, 400);
    case "unknown-ingredients":
      return answer(
        {
          problems: [
            `The pantry does not have ${done.ids.slice(0, 5).join(", ")} any more. Choose others, or add them under Pantry.`,
          ],
        },
        409,
      );
    case "newer":
      return answer(
        {
          problems: [
            `Somebody saved revision ${done.newest.revision} while you were writing. Yours is untouched on this page. Save it again to make it revision ${done.newest.revision + 1}; theirs stays in the history, and the two can be compared there.`,
          ],
          basedOn: done.newest.revision,
        },
        409,
      );
    default:
      return done satisfies never;
  }
}
