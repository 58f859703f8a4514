import { RuledTable } from "~/ui/parts/tables";
import { VisuallyHidden } from "@chakra-ui/react";
import type { RoomKind } from "~/core/people";
import type { SetTo } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import { runList, spokenAt, type Timeline } from "~/core/schedule";
import type { Names } from "~/ui/words/names";
import { clock } from "~/ui/format/format";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale } from "~/ui/sheet/locale";
import { Aims } from "~/ui/brief/Aims";
import { Wide } from "~/ui/sheet/Wide";
import { StepNotes } from "~/ui/recipe/StepNotes";
import { sayEntry, unitNames } from "~/ui/words/timeline";

interface Props {
  readonly timeline: Timeline;
  readonly startsAt: string;
  readonly timeZone: string;
  readonly names: Names;
  readonly recipes: readonly Recipe[];
  /** What they are to learn, said at the doors. */
  readonly aims: readonly string[] | undefined;
  readonly isAlong: boolean;
  readonly room: RoomKind;
  /** What each surface is set to. */
  readonly heats: ReadonlyMap<string, SetTo>;
}

/** The instructor's own run sheet: what happens at which minute, what to say and where to stand. */
export function ByTheMinute({ timeline, startsAt, timeZone, names, recipes, aims, isAlong, room, heats }: Props) {
  const locale = useLocale();
  const { unit, unitAt } = unitNames(timeline, names);
  const at = (after: number) => clock(startsAt, timeZone, after, locale);
  const rows = runList(timeline, isAlong);
  const spoken = spokenAt(timeline, recipes);
  // A bell that rings again says nothing again.
  const first = new Map(rows.flatMap((row, at) => (row.kind === "bell" ? [[row.bell, at] as const] : [])).reverse());
  return (
    <Wide label="By the minute">
      <RuledTable kind="minutes">
        <caption>By the minute</caption>
        <Heads of={["Time", "What happens", "Say, and watch for", "Stand"]} />
        <tbody>
          {rows.map((entry, index) => {
            const { what, say, where } = sayEntry(entry, { names, unit, unitAt, at, heats, room });
            const time = at(entry.at);
            const isSame = index > 0 && at(rows[index - 1]?.at ?? -1) === time;
            return (
              <tr data-bell={entry.kind === "bell" ? "" : undefined} key={`${index} ${what}`}>
                <td data-numeric>{isSame ? <VisuallyHidden>{time}</VisuallyHidden> : <b>{time}</b>}</td>
                <td>{what}</td>
                <td>
                  {say}
                  {index === 0 ? <Aims aims={aims} /> : null}
                  {entry.kind === "bell" && first.get(entry.bell) === index
                    ? (spoken.get(entry.bell) ?? []).map(({ recipeId, step }) => (
                        <StepNotes key={`${recipeId} ${step.id}`} step={step} />
                      ))
                    : null}
                </td>
                <td>{where}</td>
              </tr>
            );
          })}
        </tbody>
      </RuledTable>
    </Wide>
  );
}
