import type { Menu } from "@chakra-ui/react";
import { createContext } from "react";

/** What an open menu is made of; nothing of it is drawn before. */
export const MenuPartsContext = createContext<{
  readonly Item: typeof Menu.Item;
  readonly Separator: typeof Menu.Separator;
} | null>(null);
