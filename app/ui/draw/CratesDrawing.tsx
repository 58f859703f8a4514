import { CratesRow } from "~/ui/parts/drawings";
import { type Crate, crate as usual } from "~/core/gear";

/** The edge of a cube of one litre, as it is drawn; a crate of 45 litres is 62 wide and 42 high. */
const [crateWidth, crateHeight] = [62, 42];
/** What stands by itself is drawn by its room, within these. */
const least = 26;

interface Props {
  readonly crates: readonly Crate[];
  /** Those that are in the car already. */
  readonly isIn: (key: string) => boolean;
}

/** The crates in the order they go in, each filled to its height; what is in the car is ticked. The table says what is in each. */
export const CratesDrawing = ({ crates, isIn }: Props) => (
  <CratesRow aria-hidden="true">
    {crates.map((one, index) => {
      const isLarge = one.litres > usual.litres + 1e-6;
      const scale = isLarge ? Math.cbrt(one.litres / usual.litres) : 1;
      const [width, height] = [crateWidth * scale, Math.max(least, crateHeight * scale)];
      const filled = isLarge ? 1 : Math.min(1, one.litres / usual.litres);
      return (
        <li key={one.key}>
          <svg width={width + 4} height={height + 6} viewBox={`-2 -4 ${width + 4} ${height + 6}`}>
            <rect data-part="filling" x={0} y={height * (1 - filled)} width={width} height={height * filled} />
            <path data-part="body" d={`M0,0 V${height} H${width} V0 ${isLarge ? "Z" : ""}`} />
            {isLarge ? null : <path data-part="body" d={`M${width * 0.38},8 H${width * 0.62}`} />}
            {isIn(one.key) ? <path data-part="in" d={`M${width * 0.3},${height * 0.55} l8,8 l16,-18`} /> : null}
          </svg>
          <small>{index + 1}</small>
        </li>
      );
    })}
  </CratesRow>
);
