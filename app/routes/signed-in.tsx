import { Outlet } from "react-router";
import type { Route } from "./+types/signed-in";
import { requireAccount } from "~/services/session.server";

export const middleware: Route.MiddlewareFunction[] = [requireAccount];

// A loader, so that the middleware also runs for navigations that load nothing else.
export const loader = () => null;

export default function SignedIn() {
  return <Outlet />;
}
