import { mostPeople } from "~/core/people";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/amounts";
import { AmountsView } from "./AmountsView";
import { formOf } from "../../form";
import { measuringSets } from "~/core/quantity";
import { database } from "~/db/client.server";
import { changePlan } from "~/services/arrange.server";
import { classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";

const setSchema = z.object({
  version: z.coerce.number().int(),
  station: z.coerce
    .number()
    .int()
    .min(0)
    .max(mostPeople - 1),
  // Empty: as the class measures.
  set: z.enum(["", ...measuringSets.map((set) => set.id)]),
});

/** Gives one table a measuring set of its own, or the class's again. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const form = setSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    return data({ problem: "This choice was not understood. Load the page again and repeat." }, { status: 400 });
  const { station, set, version } = form.data;
  const sets = [
    ...(input.arrangement?.sets ?? []).filter((one) => one.station !== station),
    ...(set === "" ? [] : [{ station, measuringSetId: set }]),
  ];
  const isDone = await changePlan(
    database(),
    input,
    version,
    {
      arrangement: {
        ...input.arrangement,
        seats: input.arrangement?.seats ?? null,
        apart: input.arrangement?.apart ?? [],
        sets: sets.length > 0 ? sets : undefined,
      },
    },
    "Another measuring set at a table",
    accountOf(context).id,
  );
  return isDone
    ? data({ done: "Kept. Its card follows." })
    : data(
        {
          problem:
            "Somebody saved this class meanwhile. What you see now is theirs; choose again if you still want to.",
        },
        { status: 409 },
      );
}

export default function Amounts({ actionData }: Route.ComponentProps) {
  return <AmountsView told={actionData} />;
}
