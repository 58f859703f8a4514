import { Alert, Box, Heading, List } from "@chakra-ui/react";
import { Form } from "react-router";
import type { LateChange } from "~/core/pack";
import type { PlateChange } from "~/core/plan";
import { Secondary } from "~/ui/parts/fields";
import { Hidden } from "~/ui/parts/plain";
import { sayLateChange, sayPlateChange } from "~/ui/words/changes";
import type { Names } from "~/ui/words/names";

export interface Changes {
  readonly plates: readonly PlateChange[];
  readonly kits: readonly LateChange[];
}

/** What came of a press that changes a class: a question, or what it did. */
export interface Told {
  readonly asked?: { readonly changes: Changes; readonly fields: readonly (readonly [string, string])[] } | undefined;
  readonly changes?: Changes | undefined;
}

/** The part of an action's answer that says whom it touches; what else it holds is its page's own. */
export const toldIn = (answer: object | undefined | null): Told => (answer ?? {}) as Told;

/** Kits named one by one, at most; the rest is a number. */
const mostKits = 12;

/** Whom a change touches and what it asks of packed kits: the same words before the button and after it. */
export function WhatChanges({
  changes: { plates, kits },
  names,
  isDone,
}: {
  readonly changes: Changes;
  readonly names: Names;
  readonly isDone: boolean;
}) {
  if (plates.length + kits.length === 0) return null;
  const worse = plates.filter((one) => one.isWorse);
  const others = plates.filter((one) => !one.isWorse);
  const people = (some: readonly PlateChange[]) => (
    <List.Root>
      {some.map((one) => (
        <li key={one.participantId}>
          <b>{one.name}</b> {sayPlateChange(one, names)}
        </li>
      ))}
    </List.Root>
  );
  return (
    <Box as="section" mt="3.5" fontSize="sm" aria-label="Whom this touches">
      {worse.length > 0 ? (
        <>
          <Heading as="h3" size="lg" layerStyle="needsYou">
            {isDone ? "Plates that are worse now" : "Plates this makes worse"}
          </Heading>
          {people(worse)}
        </>
      ) : null}
      {others.length > 0 ? (
        <>
          <Heading as="h3" size="lg">
            {isDone ? "Plates, dishes and tables that changed" : "Plates, dishes and tables this changes"}
          </Heading>
          {people(others)}
        </>
      ) : null}
      {kits.length > 0 ? (
        <>
          <Heading as="h3" size="lg" layerStyle="needsYou">
            Kits packed already, container by container
          </Heading>
          <List.Root>
            {kits.slice(0, mostKits).map((one) => (
              <li key={one.key}>{sayLateChange(one, names)}</li>
            ))}
            {kits.length > mostKits ? <li>and {kits.length - mostKits} more; the packing screen names each.</li> : null}
          </List.Root>
        </>
      ) : null}
    </Box>
  );
}

/** A change that makes somebody's plate worse: it was not made yet, and is with the second press. */
export function AskedFirst({
  asked,
  names,
  button,
}: {
  readonly asked: Told["asked"];
  readonly names: Names;
  readonly button: string;
}) {
  if (!asked) return null;
  return (
    <Alert.Root status="error" role="alert">
      <b>Nothing is changed yet. This makes somebody’s plate worse: read whom it touches first.</b>
      <WhatChanges changes={asked.changes} names={names} isDone={false} />
      <Form method="post">
        {asked.fields.map(([name, value], at) => (
          <Hidden key={`${name} ${at}`} name={name} value={value} />
        ))}
        <Secondary>{button}</Secondary>
      </Form>
    </Alert.Root>
  );
}
