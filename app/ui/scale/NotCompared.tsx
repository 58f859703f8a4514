import { Text } from "@chakra-ui/react";
import { mostTablesCompared } from "~/core/plan";

/** In place of ways that stand side by side, where the class is too large to be planned once for each of them. */
export const NotCompared = ({ tables }: { tables: number }) => (
  <Text layerStyle="needsYou" _print={{ display: "none" }}>
    Not compared: this class has {tables} tables, and ways are planned side by side for at most {mostTablesCompared}.
    Put more people to a table in the brief.
  </Text>
);
