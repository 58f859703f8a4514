import type { ReactNode } from "react";

/** A pan from the side, with what happens on it. */
const OnPan = ({ children }: { children: ReactNode }) => (
  <svg viewBox="0 0 230 120" aria-hidden="true">
    <path className="line" d="M8 82H158L148 110H18Z" />
    <path className="grip" d="M158 87H224" />
    {children}
  </svg>
);

const Pour = () => (
  <OnPan>
    <path className="line" d="M84 32C84 14 138 14 138 32ZM138 20L176 2" />
    <path className="now thick" d="M88 34C83 50 84 66 85 78M44 78C60 72 108 72 122 78" />
  </OnPan>
);

const Bubbles = () => (
  <OnPan>
    <path className="line" d="M32 80C46 66 118 66 132 80" />
    {[
      [54, 72],
      [68, 76],
      [80, 70],
      [94, 75],
      [106, 71],
      [116, 77],
    ].map(([x, y]) => (
      <circle className="now" key={x} cx={x} cy={y} r="4" />
    ))}
    <path className="line soft" d="M52 30C60 38 60 44 52 52M90 24C98 32 98 40 90 48M128 30C136 38 136 44 128 52" />
  </OnPan>
);

const Turn = () => (
  <OnPan>
    <path className="line" d="M62 78L152 52L200 34" />
    <path className="line thick" d="M44 42C60 30 92 18 112 20" />
    <path className="now" d="M134 10C166 18 172 44 156 58M150 48L155 60L168 56" />
  </OnPan>
);

export interface Moment {
  readonly drawing: "pour" | "bubbles" | "turn";
  readonly words: string;
}

const drawings = { pour: Pour, bubbles: Bubbles, turn: Turn } as const;

/** The moments of an instruction side by side, each with its words under it. */
export const Moments = ({ moments }: { moments: readonly Moment[] }) => (
  <ul className="moments">
    {moments.map(({ drawing, words }) => {
      const Drawing = drawings[drawing];
      return (
        <li key={drawing}>
          <Drawing />
          <p>{words}</p>
        </li>
      );
    })}
  </ul>
);
