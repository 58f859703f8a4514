import { useEffect, useMemo, useState } from "react";
import type { Route } from "./+types/pack";
import { toleranceFor } from "~/core/kit";
import { packingOfClass } from "~/core/pack";
import { kitOptionsOf, plan } from "~/core/plan";
import { database } from "~/db/client.server";
import { type ScaleReading, simulatedScale } from "~/devices/scale";
import { pack, unpack } from "~/formats/packed";
import { classOnce } from "~/services/classes.server";
import { inputForPacking } from "~/services/privacy.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { PackScreen } from "~/ui/pack/PackScreen";
import { ScalePanel } from "~/ui/pack/ScalePanel";
import { useLocale } from "~/ui/sheet/locale";
import { namesOf } from "~/ui/words/names";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const account = accountOf(context);
  return {
    input: pack(inputForPacking(input)),
    events: await ticksOf(database(), params.classId),
    me: account.name,
  };
}

export default function Pack({ loaderData, params }: Route.ComponentProps) {
  const { events, me } = loaderData;
  const input = unpack(loaderData.input);
  const locale = useLocale();
  const made = useMemo(() => plan(input), [input]);
  const packing = useMemo(() => packingOfClass(input, made), [input, made]);
  const names = useMemo(() => namesOf(input, made, locale), [input, made, locale]);
  const [scale] = useState(simulatedScale);
  const [reading, setReading] = useState<ScaleReading>({ kind: "weight", grams: 0, isSettled: true });
  const [hands, setHands] = useState(scale.state());
  useEffect(() => scale.port.subscribe(setReading), [scale]);
  const toleranceOf = (ingredientId: string) =>
    toleranceFor(input.pantry.find((one) => one.id === ingredientId) ?? { role: "other" }, kitOptionsOf(input));
  return (
    <PackScreen
      classId={params.classId}
      title={input.title}
      timeZone={input.timeZone}
      me={me}
      containers={packing.containers}
      events={events}
      names={names}
      isDryMixed={input.brief.kitMode === "dry-mix"}
      toleranceOf={toleranceOf}
      reading={reading}
      tare={scale.port.tare}
      panel={
        <ScalePanel
          act={(hand) => {
            scale.act(hand);
            setHands(scale.state());
          }}
          isDrifting={hands.isDrifting}
          isSlow={hands.isSlow}
          isPlugged={hands.isPlugged}
        />
      }
    />
  );
}
