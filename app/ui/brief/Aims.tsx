import { Box, List, Text } from "@chakra-ui/react";

/** What people should be able to do or say afterwards, in the instructor's words; larger where it is read across a room. */
export function Aims({ aims, isLarge = false }: { aims: readonly string[] | undefined; isLarge?: boolean }) {
  if (aims === undefined || aims.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="What they are to learn"
      my={isLarge ? "3.5" : "2"}
      fontWeight="400"
      fontSize={isLarge ? "xl" : undefined}
    >
      <Text color="fg.muted" fontSize={isLarge ? "20px" : "sm"}>
        What they are to learn
      </Text>
      <List.Root listStyle="disc" ps="1.1em" css={{ "& > li": { paddingBlock: "1px" } }}>
        {aims.map((aim) => (
          <li key={aim}>{aim}</li>
        ))}
      </List.Root>
    </Box>
  );
}
