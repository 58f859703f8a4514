import type { ReactNode } from "react";
import type { Cue } from "~/core/recipe";
import { CuePicture } from "./Cues";
import { look } from "~/ui/theme/look";

/** A pan from the side, with what happens on it. */
const OnPan = ({ children }: { children: ReactNode }) => (
  <svg viewBox="0 0 230 120" aria-hidden="true">
    <path className={look("line")} d="M8 82H158L148 110H18Z" />
    <path className={look("grip")} d="M158 87H224" />
    {children}
  </svg>
);

const Pour = () => (
  <OnPan>
    <path className={look("line")} d="M84 32C84 14 138 14 138 32ZM138 20L176 2" />
    <path className={look("now", "thick")} d="M88 34C83 50 84 66 85 78M44 78C60 72 108 72 122 78" />
  </OnPan>
);

const Turn = () => (
  <OnPan>
    <path className={look("line")} d="M62 78L152 52L200 34" />
    <path className={look("line", "thick")} d="M44 42C60 30 92 18 112 20" />
    <path className={look("now")} d="M134 10C166 18 172 44 156 58M150 48L155 60L168 56" />
  </OnPan>
);

export interface Moment {
  readonly drawing: "pour" | "turn" | Cue;
  readonly words: string;
}

/** The moments of an instruction side by side, each with its words under it. */
export const Moments = ({ moments }: { moments: readonly Moment[] }) => (
  <ul className={look("moments")}>
    {moments.map(({ drawing, words }) => (
      <li key={drawing}>
        {drawing === "pour" ? <Pour /> : drawing === "turn" ? <Turn /> : <CuePicture cue={drawing} />}
        <p>{words}</p>
      </li>
    ))}
  </ul>
);
