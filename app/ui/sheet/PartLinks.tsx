import { Text } from "@chakra-ui/react";
import { useSearchParams } from "react-router";
import { type Part, partOf } from "~/formats/parts";
import { TextLink } from "~/ui/parts/fields";

/** Tables whose cards or kits are drawn on one page; more come in parts of `tablesOfPart`, as a card takes 10 ms to draw (measured). */
const mostTables = 60;
const tablesOfPart = 24;

/** The tables that this page draws, by the part that its address asks for. */
export function useTablePart<T>(tables: readonly T[]): Part<T> {
  const [search] = useSearchParams();
  return partOf(tables, search.get("part"), tables.length > mostTables ? tablesOfPart : mostTables);
}

interface Props {
  readonly part: number;
  readonly parts: number;
  /** What else the address says, as a query without its question mark. */
  readonly keep?: string;
}

/** The way to the other parts of a page that is too long to be drawn at once; nothing where there is one part only. */
export const PartLinks = ({ part, parts, keep }: Props) =>
  parts === 1 ? null : (
    <Text _print={{ display: "none" }}>
      Part {part} of {parts}:{" "}
      {Array.from({ length: parts }, (_, index) =>
        index + 1 === part ? (
          <b key={index}>{index + 1} </b>
        ) : (
          <TextLink key={index} to={`?${keep ? `${keep}&` : ""}part=${index + 1}`}>
            {index + 1}{" "}
          </TextLink>
        ),
      )}
    </Text>
  );
