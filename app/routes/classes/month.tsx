import { Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { MonthTable } from "~/ui/parts/month";
import { type CalendarDate, getLocalTimeZone, parseDate, today } from "@internationalized/date";
import { Link } from "react-router";
import type { Route } from "./+types/month";
import { database } from "~/db/client.server";
import { classesBetween } from "~/db/queries/classes.server";
import { monthOf, weeksOf } from "~/formats/dates";
import { localeOf } from "~/services/request.server";
import { dayOfMonth, monthName, people, wallTime, weekdays } from "~/ui/format/format";
import { PrimaryLink, TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";

const address = (month: CalendarDate): string => `/month?of=${month.toString().slice(0, 7)}`;

export async function loader({ request }: Route.LoaderArgs) {
  const now = today(getLocalTimeZone());
  const month = monthOf(new URL(request.url).searchParams.get("of"), now);
  const weeks = weeksOf(month, localeOf(request));
  const from = weeks[0]?.[0] ?? month.toString();
  const last = weeks.at(-1)?.[6] ?? month.toString();
  return {
    month: month.toString(),
    weeks,
    today: now.toString(),
    classes: await classesBetween(database(), from, parseDate(last).add({ days: 1 }).toString()),
  };
}

/** A month on the wall: which days are taken, and by what. */
export default function Month({ loaderData }: Route.ComponentProps) {
  const { weeks, today: now, classes } = loaderData;
  const locale = useLocale();
  const month = parseDate(loaderData.month);
  const name = monthName(loaderData.month, locale);
  return (
    <>
      <title>{`${name} · Apron Bell`}</title>
      <SheetHead mb="3.5">
        <Heading as="h1" size="2xl">
          {name}
        </Heading>
        <SheetTools>
          <TextLink to={address(month.subtract({ months: 1 }))}>The month before</TextLink>
          <TextLink to={address(month.add({ months: 1 }))}>The month after</TextLink>
          <TextLink to="/">As a list</TextLink>
          <PrimaryLink to="/classes/new">New class</PrimaryLink>
        </SheetTools>
      </SheetHead>
      <MonthTable>
        <thead>
          <tr>
            {weekdays(weeks[0] ?? [], locale).map((one) => (
              <th key={one.long} scope="col" aria-label={one.long}>
                {one.short}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map((week) => (
            <tr key={week[0]}>
              {week.map((day) => {
                const own = classes.filter((one) => one.startsAt.slice(0, 10) === day);
                const isOutside = day.slice(0, 7) !== loaderData.month.slice(0, 7);
                return (
                  <td
                    key={day}
                    data-outside={isOutside || undefined}
                    data-empty={own.length === 0 || undefined}
                    aria-current={day === now ? "date" : undefined}
                  >
                    <span data-part="month-day">{dayOfMonth(day, locale, isOutside)}</span>
                    {own.map((one) => (
                      <Link key={one.id} to={`/classes/${one.id}`}>
                        <b>{wallTime(one.startsAt, locale)}</b> {one.title}
                        <span data-quiet>
                          {people(one.people)}, {one.kitchen}
                          {one.loggedAt ? ", logged" : one.startedAt ? ", log open" : ""}
                        </span>
                      </Link>
                    ))}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </MonthTable>
      {classes.length === 0 ? (
        <Text color="fg.muted" mt="3.5">
          Nothing is planned in these weeks.
        </Text>
      ) : null}
    </>
  );
}
