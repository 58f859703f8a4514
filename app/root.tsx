import { LonePage } from "~/ui/parts/frame";
import "@fontsource-variable/source-sans-3/wght.css";
import "@fontsource/zilla-slab/500.css";
import "@fontsource/zilla-slab/600.css";
import "@fontsource/zilla-slab/700.css";
import "./print.css";
import { ChakraProvider, Heading, Text } from "@chakra-ui/react";
import { type ReactNode, useEffect } from "react";
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteLoaderData } from "react-router";
import type { Route } from "./+types/root";
import { languageOf, paperOf } from "~/formats/regions";
import { localeOf, tastesOf, zoneOf } from "~/services/request.server";
import { LocaleProvider, ZoneProvider } from "~/ui/sheet/locale";
import { useNonce } from "~/ui/sheet/nonce";
import { TroubleHead, useTrouble } from "~/ui/sheet/trouble";
import { system } from "~/ui/theme";
import { TextLink } from "~/ui/parts/fields";

const fallbackLocale = "en-GB";

export const loader = ({ request }: Route.LoaderArgs) => ({
  locale: localeOf(request),
  zone: zoneOf(request),
  shade: tastesOf(request).shade,
});
export const shouldRevalidate = () => false;

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  const { locale, zone, shade } = useRouteLoaderData<typeof loader>("root") ?? {
    locale: fallbackLocale,
    zone: "UTC",
    shade: null,
  };
  return (
    <html
      lang={languageOf(locale)}
      data-paper={paperOf(locale)}
      data-shade={shade ?? undefined}
      suppressHydrationWarning
    >
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/bell.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        <ChakraProvider value={system}>
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

export function ErrorBoundary() {
  const trouble = useTrouble();
  return (
    <LonePage>
      <TroubleHead {...trouble} />
      <Heading as="h1" size="2xl">
        {trouble.heading}
      </Heading>
      <Text>{trouble.sentence}</Text>
      <Text>
        <TextLink to="/">Back to the classes</TextLink>
      </Text>
    </LonePage>
  );
}
