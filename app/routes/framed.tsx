import { useEffect } from "react";
import { Form, Link, NavLink, Outlet } from "react-router";
import type { Route } from "./+types/framed";
import { database } from "~/db/client.server";
import { isBackupLate } from "~/services/backups.server";
import { accountOf } from "~/services/session.server";
import { flushEverywhere } from "~/ui/outbox/outbox";
import { Mark } from "~/ui/sheet/Mark";
import { Shortcuts } from "~/ui/parts/Shortcuts";
import { PlainButton } from "~/ui/parts/plain";

export const loader = async ({ context }: Route.LoaderArgs) => {
  const { name, role } = accountOf(context);
  return { name, role, isBackupLate: role === "lead" && (await isBackupLate(database())) };
};

/** The frame of every page but the live screen. */
export default function Framed({ loaderData }: Route.ComponentProps) {
  // What was ticked on a screen that was left before it could be sent goes from here.
  useEffect(() => {
    const send = () => void flushEverywhere();
    send();
    addEventListener("online", send);
    return () => removeEventListener("online", send);
  }, []);
  return (
    <>
      <a className="skip" href="#content">
        Skip to the page
      </a>
      <header className="top">
        <Mark />
        <nav aria-label="Main">
          <NavLink to="/" end>
            Classes
          </NavLink>
          <NavLink to="/recipes">Batter book</NavLink>
          <NavLink to="/pantry">Pantry</NavLink>
          <NavLink to="/bench">Bench</NavLink>
          <NavLink to="/kitchens">Kitchens</NavLink>
          {loaderData.role === "lead" ? (
            <>
              <NavLink to="/outbox">Outbox</NavLink>
              <NavLink to="/accounts">Accounts</NavLink>
              <NavLink to="/upkeep">Backups</NavLink>
            </>
          ) : null}
        </nav>
        <div className="who">
          <NavLink to="/account">
            {loaderData.name}
            <span>, {loaderData.role}</span>
          </NavLink>
          <Form method="post" action="/sign-out">
            <PlainButton type="submit">Sign out</PlainButton>
          </Form>
        </div>
      </header>
      {loaderData.isBackupLate ? (
        <p className="saved no-print" role="status">
          No good backup for days. <Link to="/upkeep">See what is wrong</Link>
        </p>
      ) : null}
      <main className="page" id="content">
        <Outlet />
      </main>
      <Shortcuts />
    </>
  );
}
