import { getLocalTimeZone, now, toCalendarDateTime } from "@internationalized/date";
import { Link } from "react-router";
import type { Route } from "./+types/list";
import { database } from "~/db/client.server";
import { type ClassCard, classCards } from "~/db/queries/classes.server";
import { day, minutes } from "~/ui/format/format";
import { TextLink } from "~/ui/sheet/controls";
import { useLocale } from "~/ui/sheet/locale";

export async function loader() {
  const today = toCalendarDateTime(now(getLocalTimeZone())).toString().slice(0, 10);
  return { classes: await classCards(database()), today };
}

function standing(card: ClassCard, today: string): { text: string; asks: boolean } {
  if (card.loggedAt) return { text: "logged", asks: false };
  if (card.startedAt) return { text: "taught, log open", asks: true };
  const silent = Number(card.unanswered);
  if (card.startsAt.slice(0, 10) < today) return { text: "not taught", asks: false };
  return silent > 0
    ? { text: `${silent} ${silent === 1 ? "person has" : "people have"} not answered`, asks: true }
    : { text: "planned", asks: false };
}

function Group({ title, cards, today }: { title: string; cards: readonly ClassCard[]; today: string }) {
  const locale = useLocale();
  if (cards.length === 0) return null;
  return (
    <section style={{ marginBottom: 34 }}>
      <h2>{title}</h2>
      <table className="ruled fixed">
        <colgroup>
          <col style={{ width: 190 }} />
          <col />
          <col style={{ width: 230 }} />
          <col style={{ width: 250 }} />
          <col style={{ width: 70 }} />
        </colgroup>
        <thead className="vh">
          <tr>
            <th scope="col">When</th>
            <th scope="col">Class</th>
            <th scope="col">Recipe</th>
            <th scope="col">People</th>
            <th scope="col">How it stands</th>
            <th scope="col">Go</th>
          </tr>
        </thead>
        <tbody>
          {cards.map((card) => {
            const { text, asks } = standing(card, today);
            return (
              <tr key={card.id}>
                <td>
                  <b>{day(card.startsAt, locale)}</b>
                  <div className="quiet">
                    {card.startsAt.slice(11)}, {minutes(card.minutes, locale)}
                  </div>
                </td>
                <td>
                  <Link
                    to={`/classes/${card.id}`}
                    className="text"
                    style={{ fontFamily: "var(--head)", fontWeight: 600, fontSize: 22 }}
                  >
                    {card.title}
                  </Link>
                  <div className="quiet">{card.kitchen}</div>
                </td>
                <td>
                  {card.recipes ?? <span className="needs-you">no recipe yet</span>}
                  <div className="quiet">{card.people} people</div>
                </td>
                <td className={asks ? "needs-you" : "quiet"}>{text}</td>
                <td className="n">
                  {card.startsAt.slice(0, 10) === today && !card.loggedAt ? (
                    <TextLink to={`/classes/${card.id}/teach`}>Teach</TextLink>
                  ) : card.startedAt ? (
                    <TextLink to={`/classes/${card.id}/log`}>Log</TextLink>
                  ) : null}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** Classes by what they ask for: today, ahead, behind. */
export default function ClassList({ loaderData }: Route.ComponentProps) {
  const { classes, today } = loaderData;
  const dayOf = (card: ClassCard) => card.startsAt.slice(0, 10);
  return (
    <>
      <title>Classes · Apron Bell</title>
      <div className="sheet-head" style={{ marginBottom: 22 }}>
        <h1>Classes</h1>
        <div className="tools">
          <TextLink to="/classes/new">
            <b>New class</b>
          </TextLink>
          <TextLink to="/classes/import">Bring in a class file</TextLink>
        </div>
      </div>
      {classes.length === 0 ? (
        <p>
          No class yet. <TextLink to="/classes/new">Plan the first one</TextLink>, or{" "}
          <TextLink to="/classes/import">bring in a class file</TextLink>.
        </p>
      ) : null}
      <Group title="Today" cards={classes.filter((card) => dayOf(card) === today)} today={today} />
      <Group title="Ahead" cards={classes.filter((card) => dayOf(card) > today)} today={today} />
      <Group title="Behind" cards={classes.filter((card) => dayOf(card) < today).reverse()} today={today} />
    </>
  );
}
