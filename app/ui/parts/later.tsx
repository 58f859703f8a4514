import { Box, Text } from "@chakra-ui/react";
import { type ComponentType, Suspense, lazy, useEffect, useRef } from "react";

/** After so long what nobody came near is fetched, too: whatever changes on the page would wait for it otherwise. */
const quietMs = 3000;

/**
 * A part of a long page that the server draws with all the rest, and that comes alive when somebody comes near it: until then its
 * script is not fetched. Reached without the server's drawing, from another page, it is fetched at once.
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  let start = () => {};
  const asked =
    typeof window === "undefined" ? Promise.resolve() : new Promise<void>((resolve) => (start = () => resolve()));
  const Part = lazy(async () => {
    await asked;
    return { default: (await load()) as ComponentType<object> };
  });
  return function Later(props) {
    const box = useRef<HTMLDivElement>(null);
    useEffect(() => {
      const { current } = box;
      if (!current || current.querySelector("[data-coming]")) return start();
      const near = new IntersectionObserver(
        (seen) => {
          if (seen.some((one) => one.isIntersecting)) start();
        },
        { rootMargin: "50%" },
      );
      near.observe(current);
      const quiet = setTimeout(start, quietMs);
      return () => {
        near.disconnect();
        clearTimeout(quiet);
      };
    }, []);
    return (
      <Box ref={box}>
        <Suspense
          fallback={
            <Text color="fg.muted" data-coming>
              Still coming …
            </Text>
          }
        >
          <Part {...props} />
        </Suspense>
      </Box>
    );
  };
}
