import type { ReactNode } from "react";
import type { Technique } from "~/core/look";

const Cup = () => <path data-part="line" d="M30 34H82L78 66H34ZM82 42H104" />;
const Bowl = () => <path data-part="line" d="M18 42H102C100 62 84 70 60 70C36 70 20 62 18 42Z" />;
const Egg = ({ d }: { d: string }) => <path data-part="line" d={d} />;

/** Each movement as one drawing: what is there in ink, what moves in the accent. */
const pictures: Readonly<Record<Technique, () => ReactNode>> = {
  level: () => (
    <>
      <Cup />
      <path data-part="soft" d="M36 34C46 24 66 24 76 34" />
      <path data-part="line" d="M24 28H70" strokeWidth={5} />
      <path data-part="now" d="M60 16H100M90 8L102 16L90 24" />
    </>
  ),
  "eye-level": () => (
    <>
      <path data-part="line" d="M58 14H100V70H58ZM100 26H110V50H100" />
      <path data-part="soft" d="M58 42C70 45 88 45 100 42" />
      <path data-part="line" d="M66 30H74M66 42H78M66 54H74" />
      <path data-part="line" d="M8 42C14 34 24 34 30 42C24 50 14 50 8 42Z" />
      <circle data-part="now" data-thick cx="19" cy="42" r="2.5" />
      <path data-part="now" d="M34 42H54" strokeDasharray="4 4" />
    </>
  ),
  pinch: () => (
    <>
      <path data-part="line" d="M14 20C36 16 52 26 62 42M14 40C32 38 46 42 58 50" />
      <circle data-part="now" data-thick cx="63" cy="47" r="2" />
      <path data-part="now" d="M64 56V62M70 52V60M58 56V64" strokeDasharray="1 5" />
      <path data-part="line" d="M40 70H92" />
    </>
  ),
  crack: () => (
    <>
      <path data-part="line" d="M40 44H96L90 72H46Z" />
      <Egg d="M22 30C22 14 50 14 52 30C52 44 24 44 22 30Z" />
      <path data-part="now" d="M34 42L40 36L44 44L48 38" />
      <path data-part="now" d="M18 8C10 14 8 24 12 34M6 28L12 35L20 29" />
    </>
  ),
  "fish-shell": () => (
    <>
      <Bowl />
      <path data-part="soft" d="M30 52H90" />
      <path data-part="line" d="M62 58L74 54L70 64Z" />
      <Egg d="M84 14C96 20 98 34 88 42C80 36 76 24 84 14Z" />
      <path data-part="now" d="M84 44L74 54M84 54L74 55L76 46" />
    </>
  ),
  "tap-whisk": () => (
    <>
      <Bowl />
      <path data-part="grip" d="M96 8L78 26" />
      <path data-part="line" d="M78 26C60 28 52 40 54 46C62 48 74 40 78 26ZM78 26L54 46" />
      <path data-part="now" d="M100 36C108 40 110 48 106 54M94 30L90 36" />
      <path data-part="now" d="M44 50V56M52 52V60M38 54V58" />
    </>
  ),
  fold: () => (
    <>
      <Bowl />
      <path data-part="grip" d="M84 6L66 32" />
      <path data-part="line" d="M58 30L72 38L64 50L50 42Z" />
      <path data-part="now" d="M46 46C30 52 34 64 58 64C82 64 94 56 84 46M78 52L84 44L92 50" />
    </>
  ),
  swirl: () => (
    <>
      <circle data-part="line" cx="50" cy="40" r="32" />
      <path data-part="grip" d="M82 40H114" />
      <path data-part="soft" d="M50 40C56 32 68 40 60 50C50 60 32 50 36 36C40 22 62 20 70 34" />
      <path data-part="now" d="M24 22C34 8 62 6 74 20M64 20L75 21L76 10" />
    </>
  ),
  turn: () => (
    <>
      <path data-part="line" d="M8 68H112" />
      <path data-part="line" d="M62 64C66 56 100 56 104 64Z" />
      <path data-part="grip" d="M10 62H34" />
      <path data-part="line" d="M34 62H58" />
      <path data-part="now" d="M40 52C40 16 84 14 86 44M78 36L86 46L94 36" />
    </>
  ),
};

export const TechniquePicture = ({ technique }: { technique: Technique }) => (
  <svg data-part="technique" viewBox="0 0 120 80" aria-hidden="true">
    {pictures[technique]()}
  </svg>
);
