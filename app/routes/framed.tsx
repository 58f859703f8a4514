import { Alert, Box, SkipNavLink } from "@chakra-ui/react";
import { Page, TopBar } from "~/ui/parts/frame";
import { useEffect } from "react";
import { Link, Outlet, useLocation, useSubmit } from "react-router";
import type { Route } from "./+types/framed";
import { database } from "~/db/client.server";
import { isBackupLate } from "~/services/backups.server";
import { accountOf } from "~/services/session.server";
import { flushEverywhere } from "~/ui/outbox/outbox";
import { Mark } from "~/ui/sheet/Mark";
import { PageFocus } from "~/ui/parts/PageFocus";
import { UndoPlace } from "~/ui/parts/Undo";
import { useStrip } from "~/ui/parts/useStrip";
import { Shortcuts } from "~/ui/parts/Shortcuts";
import { MenuAction, MenuLink, MenuRule, MoreMenu } from "~/ui/parts/Menu";

export const loader = async ({ context }: Route.LoaderArgs) => {
  const { id, name, role } = accountOf(context);
  return { id, name, role, isBackupLate: role === "lead" && (await isBackupLate(database())) };
};

/** Where the head of every page leads. */
const places = [
  { to: "/", name: "Classes" },
  { to: "/recipes", name: "Batter book" },
  { to: "/pantry", name: "Pantry" },
  { to: "/bench", name: "Bench" },
  { to: "/kitchens", name: "Kitchens" },
] as const;

/** Is this the place, or below it? The list of classes is the place of no other page. */
const isAt = (to: string, pathname: string): boolean =>
  pathname === to || (to !== "/" && pathname.startsWith(`${to}/`));

/** The frame of every page but the live screen. */
export default function Framed({ loaderData }: Route.ComponentProps) {
  const submit = useSubmit();
  const { pathname } = useLocation();
  const strip = useStrip<HTMLElement>(pathname.split("/")[1]);
  // What was ticked on a screen that was left before it could be sent goes from here.
  useEffect(() => {
    const send = () => void flushEverywhere(loaderData.id);
    send();
    addEventListener("online", send);
    return () => removeEventListener("online", send);
  }, [loaderData.id]);
  return (
    <>
      <SkipNavLink id="content">Skip to the page</SkipNavLink>
      <TopBar>
        <Mark />
        <Box as="nav" aria-label="Main" ref={strip}>
          {places.map(({ to, name }) => (
            <Link key={to} to={to} aria-current={isAt(to, pathname) ? "page" : undefined}>
              {name}
            </Link>
          ))}
        </Box>
        <Box data-part="who">
          <MoreMenu label={loaderData.name} isWord>
            <MenuLink to="/account">Your account, {loaderData.role}</MenuLink>
            {loaderData.role === "lead" ? (
              <>
                <MenuLink to="/accounts">Accounts</MenuLink>
                <MenuLink to="/outbox">Outbox</MenuLink>
                <MenuLink to="/removed">Removed classes</MenuLink>
                <MenuLink to="/upkeep">Backups</MenuLink>
              </>
            ) : null}
            <MenuRule />
            <MenuAction name="sign-out" onSelect={() => void submit(null, { method: "post", action: "/sign-out" })}>
              Sign out
            </MenuAction>
          </MoreMenu>
        </Box>
      </TopBar>
      {loaderData.isBackupLate ? (
        <Alert.Root as="p" status="info" _print={{ display: "none" }} role="status">
          No good backup for days. <Link to="/upkeep">See what is wrong</Link>
        </Alert.Root>
      ) : null}
      <Page id="content">
        <Outlet />
      </Page>
      <UndoPlace />
      <PageFocus />
      <Shortcuts />
    </>
  );
}
