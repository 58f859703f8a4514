import { Alert, Heading, Table, Text } from "@chakra-ui/react";
import { SheetHead } from "~/ui/parts/sheet";
import { ScrollArea, StyledForm } from "~/ui/parts/forms";
import { data } from "react-router";
import type { Route } from "./+types/upkeep";
import { formOf } from "../form";
import { database } from "~/db/client.server";
import { backupPlace, backupRuns, backupStanding, daysBeforeWarning, keptBackups } from "~/services/backups.server";
import { askForBackup } from "~/services/jobs.server";
import { requireLead } from "~/services/session.server";
import { moment, number } from "~/ui/format/format";
import { FormError, Primary } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { Hidden } from "~/ui/parts/plain";

export async function loader({ context }: Route.LoaderArgs) {
  requireLead(context);
  const [standing, runs] = await Promise.all([backupStanding(database()), backupRuns(database())]);
  return { standing, runs, hasPlace: backupPlace() !== undefined, kept: keptBackups, days: daysBeforeWarning };
}

export async function action({ request, context }: Route.ActionArgs) {
  requireLead(context);
  if ((await formOf(request)).get("intent") !== "backup")
    return data({ isAsked: false, problem: "This was not understood. Load the page again." }, { status: 400 });
  return (await askForBackup())
    ? { isAsked: true, problem: undefined }
    : data(
        {
          isAsked: false,
          problem: "A backup was asked for a moment ago, or the queue of jobs is not open. Look again in a minute.",
        },
        { status: 409 },
      );
}

/** What keeps the program whole: backups, as far as the program itself makes them. */
export default function Upkeep({ loaderData, actionData }: Route.ComponentProps) {
  const { standing, runs, hasPlace, kept, days } = loaderData;
  const locale = useLocale();
  const zone = useZone();
  return (
    <>
      <title>Backups · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Backups
        </Heading>
      </SheetHead>
      <Text mt="3.5" mb="3.5">
        {standing.lastGood ? (
          <>
            The last good one is of <b>{moment(standing.lastGood, locale, zone)}</b>.
          </>
        ) : (
          "There is none yet."
        )}{" "}
        {standing.isLate ? (
          <Text as="b" layerStyle="needsYou">
            Nothing good for more than {days} days: what happened since would be lost with the disk.
          </Text>
        ) : null}
      </Text>
      {standing.failed ? (
        <Text layerStyle="needsYou">
          The latest, {moment(standing.failed.at, locale, zone)}, failed: {standing.failed.problem}
        </Text>
      ) : null}
      <FormError title="Not asked for" problems={actionData?.problem ? [actionData.problem] : []} />
      {actionData?.isAsked ? (
        <Alert.Root as="p" status="info" role="status">
          It is being made. Look here again in a minute.
        </Alert.Root>
      ) : null}
      {hasPlace ? (
        <StyledForm mt="3.5" mb="3.5" method="post">
          <Hidden name="intent" value="backup" />
          <Primary>Make a backup now</Primary>
        </StyledForm>
      ) : (
        <Text color="fg.muted">
          This program was started on a database of somebody else’s, without a place for backups: BACKUP_DIR names one,
          or whoever keeps the database makes them.
        </Text>
      )}
      {runs.length > 0 ? (
        <ScrollArea tabIndex={0} role="group" aria-label="Backups that were tried">
          <Table.Root native>
            <Heads of={["When", "File", { n: "Size" }, "What came of it"]} />
            <tbody>
              {runs.map((one) => (
                <tr key={one.id}>
                  <td>{moment(one.ended_at, locale, zone)}</td>
                  <td>{one.file}</td>
                  <td data-numeric>{one.is_good ? `${number(one.bytes / 1_000_000, locale, 1)} MB` : "–"}</td>
                  <td>{one.is_good ? "kept, and restored beside to see that it can be" : (one.problem ?? "failed")}</td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </ScrollArea>
      ) : null}
      <Text color="fg.muted" fontSize="sm" mt="3.5">
        One a night while the program runs; the newest {kept} are kept, so that what was removed for privacy is gone
        from all of them after as many days. A disk can die with its backups: copy them to another. How to restore one
        stands in docs/operations.md.
      </Text>
    </>
  );
}
