import { Box, HStack, Table } from "@chakra-ui/react";
import { Form } from "react-router";
import { type ClassInput, type WayOut, wayId } from "~/core/plan";
import { Secondary } from "~/ui/parts/fields";
import { Hidden } from "~/ui/parts/plain";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale } from "~/ui/sheet/locale";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { sayWay, wayWords } from "~/ui/words/timeline";
import type { WaysNews } from "~/workers/ways.browser";
import WaysWorker from "~/workers/ways.browser?worker";
import { useSearch } from "./useSearch";

interface Props {
  readonly input: ClassInput;
  /** As the usual rules lay each of them: what one gains so it gains at the least. */
  readonly ways: readonly WayOut[];
  readonly version: number;
}

/** The ways to gain what is missing, each worked out with the whole class, applied with one press; searched further when asked to. */
export function WaysOut({ input, ways: quick, version }: Props) {
  const locale = useLocale();
  const { progress, found: news, start, stop } = useSearch<WaysNews>(() => new WaysWorker());
  const found = news?.ways;
  if (quick.length === 0) return null;
  const ways = found ?? quick;
  return (
    <Box as="section" aria-label="Ways out">
      <Table.Root native>
        <caption>Ways out</caption>
        <Heads of={["What", "What it costs", "What comes of it", ""]} />
        <tbody>
          {ways.map((one) => {
            const { what, costs } = wayWords(one.way);
            return (
              <tr key={what}>
                <td>{what}</td>
                <td>{costs}</td>
                <td>{sayWay(one, locale, found !== undefined)}</td>
                <td data-screen>
                  {one.becomes ? (
                    <Form method="post">
                      <Hidden name="version" value={version} />
                      <Hidden name="way" value={wayId(one.way)} />
                      {found && one.order ? <Hidden name="order" value={JSON.stringify(one.order)} /> : null}
                      <Secondary name="intent" value="way" aria-label={`Do this: ${what}`}>
                        Do this
                      </Secondary>
                    </Form>
                  ) : null}
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table.Root>
      <WhenReady>
        <HStack _print={{ display: "none" }} gap="3" wrap="wrap">
          {progress ? (
            <>
              <progress max={progress.of} value={progress.done} aria-label="Searching the ways out" />
              <span role="status">
                {progress.done + 1} of {progress.of}: {wayWords(progress.way).what}
              </span>
              <Secondary type="button" onClick={stop}>
                Stop
              </Secondary>
            </>
          ) : found ? (
            <span role="status">Each with the best order of the loads that was found.</span>
          ) : (
            <Secondary type="button" onClick={() => start(input)}>
              Search the best order for each
            </Secondary>
          )}
        </HStack>
      </WhenReady>
    </Box>
  );
}
