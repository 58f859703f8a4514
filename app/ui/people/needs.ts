import type { Participant } from "~/core/people";
import { wordsIn } from "~/ui/words/regional";
import { dietWords, severityWords, substanceWords } from "~/ui/words/en";

/** What a person declared, in one line; empty when nothing. */
export const needsInWords = (person: Participant, locale: string): string =>
  person.needs
    .map((need) =>
      need.kind === "diet"
        ? dietWords[need.diet]
        : `${need.kind === "food" ? need.food : substanceWords[need.substance]} (${wordsIn(severityWords, locale)[need.severity]}${need.touchOrAir ? ", touch or air" : ""})${need.note ? `: ${need.note}` : ""}`,
    )
    .join("; ");
