import { PourSvg } from "~/ui/parts/drawings";
import type { ReactNode } from "react";
import type { Likeness } from "~/core/look";

/** What falls from the spoon and how it lies in the bowl, in the accent; the spoon and the bowl in ink. */
const falls: Readonly<Record<Likeness, () => ReactNode>> = {
  holds: () => <path data-part="batter" d="M20 14C20 30 26 34 32 32C36 38 46 36 46 28C50 24 50 18 48 14Z" />,
  clots: () => (
    <>
      <path data-part="batter" d="M24 14C24 24 30 28 34 26C40 28 46 24 46 14Z" />
      <circle data-part="batter" cx="35" cy="40" r="6" />
      <path data-part="batter" d="M16 66C18 52 28 58 34 52C42 56 52 54 54 66Z" />
    </>
  ),
  ribbons: () => (
    <>
      <path data-part="batter" d="M28 14H42C40 28 44 40 39 54H31C27 40 31 28 28 14Z" />
      <path data-part="batter" d="M14 66C20 54 50 54 56 66Z" />
      <path data-part="fold" d="M24 60C30 56 40 62 47 58" />
    </>
  ),
  cream: () => (
    <>
      <path data-part="batter" d="M31 14H39C38 30 38 44 37 60H33C32 44 32 30 31 14Z" />
      <path data-part="batter" d="M10 66C18 59 52 59 60 66Z" />
      <path data-part="fold" d="M26 63C31 60 39 60 44 63" />
    </>
  ),
  milk: () => (
    <>
      <path data-part="batter" d="M33 14H37L36 61H34Z" />
      <path data-part="batter" d="M7 66C16 62 54 62 63 66Z" />
      <path data-part="fold" d="M27 56L24 52M43 56L46 52" />
    </>
  ),
};

/** A batter as it falls from a spoon; the words beside it say the same. */
export const Pour = ({ likeness }: { likeness: Likeness }) => {
  const Falls = falls[likeness];
  return (
    <PourSvg viewBox="0 0 72 76" width="72px" height="76px" aria-hidden="true">
      <Falls />
      <path data-part="line" d="M16 8C16 20 54 20 54 8ZM54 8L71 2" />
      <path data-part="line" d="M4 50C6 76 64 76 66 50" />
    </PourSvg>
  );
};
