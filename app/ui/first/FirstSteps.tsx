import { Heading, Link, List, Text } from "@chakra-ui/react";
import { LuCircle, LuCircleCheck } from "react-icons/lu";
import { Link as RouterLink } from "react-router";
import { PrimaryLink } from "~/ui/parts/fields";
import { FirstStep } from "~/ui/parts/frame";

interface Props {
  readonly kitchens: number;
  readonly recipes: number;
}

/** An empty home: what is there, what comes next, and the one key that leads on. */
export function FirstSteps({ kitchens, recipes }: Props) {
  const steps = [
    {
      name: "A kitchen",
      says: "What cooks in your room, and how many fit on it.",
      isDone: kitchens > 0,
    },
    { name: "Recipes", says: "Write or paste your own, or take our three.", isDone: recipes > 0 },
    { name: "Your first class", says: "How many people, what they cook, how long.", isDone: false },
  ];
  const next = steps.find((step) => !step.isDone);
  return (
    <>
      <Heading as="h2" size="xl">
        Three steps to your first class
      </Heading>
      <List.Root as="ol" aria-label="First steps" mt="2" mb="4.5">
        {steps.map((step) => (
          <FirstStep key={step.name} data-next={step === next ? "" : undefined}>
            {step.isDone ? <LuCircleCheck aria-hidden="true" /> : <LuCircle aria-hidden="true" />}
            <span>
              <b>{step.name}</b>
              <span data-quiet>: {step.isDone ? "done" : step.says}</span>
            </span>
          </FirstStep>
        ))}
      </List.Root>
      <PrimaryLink to="/classes/new">
        {next?.name === "Your first class" ? "Plan the first class" : "Start with a kitchen and recipes"}
      </PrimaryLink>
      <Text mt="3.5" color="fg.muted">
        Or{" "}
        <Link asChild>
          <RouterLink to="/classes/import">import a class file</RouterLink>
        </Link>
        , which brings its kitchen and recipes with it.
      </Text>
    </>
  );
}
