import { List, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Cue } from "~/core/recipe";
import { CuePicture } from "./Cues";

/** A pan from the side, with what happens on it. */
const OnPan = ({ children }: { children: ReactNode }) => (
  <svg viewBox="0 0 230 120" aria-hidden="true">
    <path data-part="line" d="M8 82H158L148 110H18Z" />
    <path data-part="grip" d="M158 87H224" />
    {children}
  </svg>
);

const Pour = () => (
  <OnPan>
    <path data-part="line" d="M84 32C84 14 138 14 138 32ZM138 20L176 2" />
    <path data-part="now" data-thick d="M88 34C83 50 84 66 85 78M44 78C60 72 108 72 122 78" />
  </OnPan>
);

const Turn = () => (
  <OnPan>
    <path data-part="line" d="M62 78L152 52L200 34" />
    <path data-part="line" data-thick d="M44 42C60 30 92 18 112 20" />
    <path data-part="now" d="M134 10C166 18 172 44 156 58M150 48L155 60L168 56" />
  </OnPan>
);

export interface Moment {
  readonly drawing: "pour" | "turn" | Cue;
  readonly words: string;
}

/** The moments of an instruction side by side, each with its words under it. */
export const Moments = ({ moments }: { moments: readonly Moment[] }) => (
  <List.Root data-part="moments">
    {moments.map(({ drawing, words }) => (
      <li key={drawing}>
        {drawing === "pour" ? <Pour /> : drawing === "turn" ? <Turn /> : <CuePicture cue={drawing} />}
        <Text>{words}</Text>
      </li>
    ))}
  </List.Root>
);
