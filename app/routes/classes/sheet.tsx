import { Box, Heading, Text } from "@chakra-ui/react";
import { Outlet } from "react-router";
import { useClass } from "./class-context";
import { TextLink } from "~/ui/parts/fields";
import { TroubleHead, useTrouble } from "~/ui/sheet/trouble";

/** Every sheet of a class stands in this: one that fails leaves the class's head and the way to the other sheets where they are. */
const Sheet = () => <Outlet context={useClass()} />;
export default Sheet;

export function ErrorBoundary() {
  const trouble = useTrouble();
  const { action } = useClass();
  return (
    <Box as="section" role="alert">
      <TroubleHead {...trouble} />
      <Heading as="h2" size="xl">
        {trouble.heading}
      </Heading>
      <Text>{trouble.sentence}</Text>
      <Text>
        <TextLink to={`${action}/brief`}>To the brief of this class</TextLink>
      </Text>
    </Box>
  );
}
