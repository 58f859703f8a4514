import type { ReactNode } from "react";
import type { Cue } from "~/core/recipe";

/** A piece from above. */
const Above = ({ children }: { children?: ReactNode }) => (
  <>
    <circle data-part="line" cx="60" cy="40" r="32" />
    {children}
  </>
);
/** A piece from the side, on its surface. */
const Beside = ({ children }: { children?: ReactNode }) => (
  <>
    <path data-part="line" d="M8 66H112" />
    <path data-part="line" d="M20 64C20 46 100 46 100 64Z" />
    {children}
  </>
);
const dots = (places: readonly (readonly [number, number])[], r: number, kind: string, isThick = false) =>
  places.map(([x, y]) => (
    <circle key={`${x} ${y}`} data-part={kind} data-thick={isThick ? "" : undefined} cx={x} cy={y} r={r} />
  ));

const few = [
  [40, 30],
  [74, 24],
  [78, 54],
] as const;
const many = [...few, [54, 22], [62, 38], [46, 48], [60, 60], [84, 40], [34, 42], [68, 50], [52, 36]] as const;

const Iron = ({ children }: { children?: ReactNode }) => (
  <>
    <path data-part="line" d="M18 52H92L86 66H24ZM18 48C18 38 92 38 92 48Z" />
    <path data-part="grip" d="M92 50H114" />
    {children}
  </>
);

/** Each look as it is seen, so that whoever does not read can compare. */
const pictures: Readonly<Record<Cue, () => ReactNode>> = {
  "first-bubbles": () => <Above>{dots(few, 4, "now")}</Above>,
  "whole-top": () => <Above>{dots(many, 4, "now")}</Above>,
  "bubbles-stay-open": () => (
    <Above>
      {dots(many, 4, "line")}
      {dots(many, 1.5, "now", true)}
    </Above>
  ),
  "dull-rim": () => (
    <Above>
      <circle data-part="now" cx="60" cy="40" r="24" strokeDasharray="3 4" />
      <circle data-part="soft" cx="60" cy="40" r="28" strokeDasharray="1 3" />
    </Above>
  ),
  "dry-sides": () => (
    <Beside>
      <path data-part="now" d="M26 62V56M31 63V53M36 63V51M84 63V51M89 63V53M94 62V56" />
    </Beside>
  ),
  "brown-edge": () => (
    <Above>
      <circle data-part="now" data-thick cx="60" cy="40" r="29" />
    </Above>
  ),
  slides: () => (
    <>
      <path data-part="line" d="M14 46H88L82 66H20Z" />
      <path data-part="grip" d="M88 50H114" />
      <path data-part="line" d="M34 44C34 36 72 36 72 44Z" />
      <path data-part="now" d="M30 22H76M66 14L78 22L66 30" />
    </>
  ),
  "golden-below": () => (
    <>
      <path data-part="line" d="M8 66H112M24 62C30 40 84 26 100 34" />
      <path data-part="now" data-thick d="M24 64C44 58 84 46 100 36" />
      <path data-part="grip" d="M62 62L112 52" />
    </>
  ),
  "set-in-middle": () => (
    <Beside>
      <path data-part="now" d="M60 12V40M52 32L60 42L68 32" />
      <path data-part="soft" d="M48 56C54 62 66 62 72 56" />
    </Beside>
  ),
  "steam-stops": () => (
    <Iron>
      <path data-part="soft" d="M36 30C42 24 36 18 42 10M56 30C62 24 56 18 62 10M76 30C82 24 76 18 82 10" />
      <path data-part="now" data-thick d="M28 32L90 8" />
    </Iron>
  ),
  lamp: () => (
    <Iron>
      <circle data-part="now" data-thick cx="55" cy="24" r="6" />
      <path data-part="now" d="M55 8V13M39 24H44M66 24H71M44 13L48 17M66 13L62 17" />
    </Iron>
  ),
  "puffed-and-brown": () => (
    <>
      <path data-part="line" d="M16 46H104L94 68H26Z" />
      <path data-part="now" data-thick d="M18 44C12 18 40 26 46 32C58 22 72 24 78 32C90 20 108 26 102 44" />
    </>
  ),
  "minutes-only": () => (
    <Above>
      <path data-part="now" data-thick d="M60 40V20M60 40L74 48" />
      <path data-part="line" d="M60 8V13M92 40H87M60 72V67M28 40H33" />
    </Above>
  ),
};

export const CuePicture = ({ cue }: { cue: Cue }) => (
  <svg data-part="cue" viewBox="0 0 120 80" aria-hidden="true">
    {pictures[cue]()}
  </svg>
);
