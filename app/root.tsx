import "@fontsource-variable/source-sans-3/wght.css";
import "@fontsource/zilla-slab/500.css";
import "@fontsource/zilla-slab/600.css";
import "@fontsource/zilla-slab/700.css";
import "./theme.css";
import "./print.css";
import { ChakraProvider } from "@chakra-ui/react";
import { type ReactNode, useEffect } from "react";
import {
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  isRouteErrorResponse,
  useRouteError,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import { localeOf, zoneOf } from "~/services/request.server";
import { LocaleProvider, ZoneProvider } from "~/ui/sheet/locale";
import { useNonce } from "~/ui/sheet/nonce";
import { pageSystem } from "~/ui/theme";
import { TextLink } from "~/ui/parts/fields";

const fallbackLocale = "en-GB";

export const loader = ({ request }: Route.LoaderArgs) => ({ locale: localeOf(request), zone: zoneOf(request) });
export const shouldRevalidate = () => false;

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  const { locale, zone } = useRouteLoaderData<typeof loader>("root") ?? { locale: fallbackLocale, zone: "UTC" };
  return (
    <html lang={locale} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/bell.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        <ChakraProvider value={pageSystem}>
          <LocaleProvider value={locale}>
            <ZoneProvider value={zone}>{children}</ZoneProvider>
          </LocaleProvider>
        </ChakraProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  // The server does not know where the reader sits: a new class begins in the browser's own zone.
  useEffect(() => {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    document.cookie = `zone=${encodeURIComponent(zone)}; path=/; max-age=31536000; SameSite=Lax`;
  }, []);
  return <Outlet />;
}

const headings: Readonly<Record<number, string>> = {
  403: "Not for this account",
  404: "Nothing here",
  409: "Changed meanwhile",
  413: "Too large",
  429: "Too many attempts",
  503: "Back in a moment",
};

export function ErrorBoundary() {
  const error = useRouteError();
  const isAnswer = isRouteErrorResponse(error);
  const isAway = isAnswer && error.status === 503;
  useEffect(() => {
    if (!isAway) return;
    const again = setTimeout(() => location.reload(), 3000);
    return () => clearTimeout(again);
  }, [isAway]);
  const heading = isAnswer ? (headings[error.status] ?? "That did not work") : "Something went wrong on our side";
  const sentence = isAnswer
    ? typeof error.data === "string" && error.data && error.status !== 404
      ? error.data
      : error.status === 404
        ? typeof error.data === "string" && !error.data.startsWith("Error:")
          ? error.data
          : "There is no page at this address."
        : "The request was not understood."
    : "What you saved before is kept. Load the page again; if it happens again, note what you did last.";
  return (
    <main className="lone">
      <title>{`${heading} · Apron Bell`}</title>
      {isAway ? <meta httpEquiv="refresh" content="5" /> : null}
      <h1>{heading}</h1>
      <p>{sentence}</p>
      <p>
        <TextLink to="/">Back to the classes</TextLink>
      </p>
    </main>
  );
}
