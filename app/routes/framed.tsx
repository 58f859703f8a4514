import { useEffect } from "react";
import { Form, NavLink, Outlet } from "react-router";
import type { Route } from "./+types/framed";
import { accountOf } from "~/services/session.server";
import { flushEverywhere } from "~/ui/outbox/outbox";
import { Mark } from "~/ui/sheet/Mark";
import { Shortcuts } from "~/ui/sheet/Shortcuts";

export const loader = ({ context }: Route.LoaderArgs) => {
  const { name, role } = accountOf(context);
  return { name, role };
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
            </>
          ) : null}
        </nav>
        <div className="who">
          <NavLink to="/account">
            {loaderData.name}
            <span>, {loaderData.role}</span>
          </NavLink>
          <Form method="post" action="/sign-out">
            <button type="submit">Sign out</button>
          </Form>
        </div>
      </header>
      <main className="page" id="content">
        <Outlet />
      </main>
      <Shortcuts />
    </>
  );
}
