import { Box, Table, Text } from "@chakra-ui/react";
import { HelpWords } from "~/ui/parts/room";
import { stages } from "~/core/plan";
import { stageWords } from "~/ui/words/en";
import { helpOf } from "~/ui/words/help";
import { Ask } from "./Ask";

interface Props {
  readonly pathname: string;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}

const keys: readonly (readonly [string, string])[] = [
  ["?", "this help"],
  ["c", "all classes"],
  ["n", "a new class"],
  ...stages.map((stage, index) => [String(index + 1), stageWords[stage]] as const),
];

/** What the page is for, the words used on it, and the keys. */
export default function HelpDialog({ pathname, isOpen, onClose }: Props) {
  const help = helpOf(pathname);
  return (
    <Ask isOpen={isOpen} onClose={onClose} title="Help and keys" wayOut="Close">
      {help ? (
        <>
          <Text>
            <b>{help.title}.</b> {help.purpose}
          </Text>
          {help.first ? <Text>{help.first}</Text> : null}
          {help.words.length > 0 ? (
            <HelpWords>
              {help.words.map(([word, means]) => (
                <Box key={word}>
                  <dt>{word}</dt>
                  <dd>{means}</dd>
                </Box>
              ))}
            </HelpWords>
          ) : null}
        </>
      ) : null}
      <Table.Root native>
        <tbody>
          {keys.map(([key, what]) => (
            <tr key={key}>
              <td>
                <b>{key}</b>
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </Table.Root>
      <Text color="fg.muted" fontSize="sm">
        On the live screen: space rings the next bell, u takes the last one back, d adds two minutes, b turns bright or
        dark.
      </Text>
    </Ask>
  );
}
