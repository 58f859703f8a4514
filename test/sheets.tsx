import { ChakraProvider } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { RouterProvider, createMemoryRouter } from "react-router";
import { LocaleProvider } from "~/ui/sheet/locale";
import { system } from "~/ui/theme";

interface Surroundings {
  readonly locale?: string;
  /** Where the page stands. */
  readonly path?: string;
}

/** A sheet's markup, as the server would send it. */
export function markup(sheet: ReactNode, { locale = "en-GB", path = "/" }: Surroundings = {}): string {
  const element = (
    <ChakraProvider value={system}>
      <LocaleProvider value={locale}>{sheet}</LocaleProvider>
    </ChakraProvider>
  );
  const router = createMemoryRouter([{ path: "*", element }], { initialEntries: [path] });
  // Without the style sheets that stand between: they say nothing.
  return renderToStaticMarkup(<RouterProvider router={router} />).replace(/<style.*?<\/style>/gs, "");
}

/** What a sheet says, without its markup: tags become spaces, thin spaces plain ones. */
export const said = (sheet: ReactNode, where?: Surroundings): string =>
  markup(sheet, where)
    .replace(/<title>.*?<\/title>/g, "")
    .replace(/<[^>]+>/g, " ")
    .replace(/&#x27;/g, "'")
    .replace(/&amp;/g, "&")
    .replace(/[\s\u2009\u202f\u00a0]+/g, " ")
    .trim();
