import { DrawingDefs } from "~/ui/parts/drawings";

/**
 * A symbol is drawn where something refers to it, out of reach of the recipe of the drawing it is kept in: it brings its line and fill
 * along, as roles of colour.
 */
const filled = { fill: "var(--chakra-colors-bg-panel)", strokeWidth: 1.5 } as const;
const handle = { strokeWidth: 2.5, strokeLinecap: "round" } as const;
const grains = { stroke: "var(--chakra-colors-fg-subtle)", strokeWidth: 1, strokeDasharray: "1 3" } as const;

/**
 * What is drawn many times on a page, drawn once: ink line, paper fill. Sizes are units of each drawing; what refers to one gives it
 * its true size beside the others.
 */
export const Defs = () => (
  <DrawingDefs aria-hidden="true">
    <defs>
      <symbol id="drawn-cup" viewBox="0 0 168 72">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 5H104L94 68H14Z" />
        <path {...handle} vectorEffect="non-scaling-stroke" d="M104 8H165" />
        <path {...grains} vectorEffect="non-scaling-stroke" d="M13 20H96M15 36H94M17 52H92" />
      </symbol>
      <symbol id="drawn-spoon" viewBox="0 0 144 46">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 6H70A33 36 0 0 1 4 6Z" />
        <path {...handle} vectorEffect="non-scaling-stroke" d="M70 8H141" />
      </symbol>
      <symbol id="drawn-egg" viewBox="0 0 60 76">
        <path
          {...filled}
          vectorEffect="non-scaling-stroke"
          d="M30 4C46 4 56 28 56 46C56 63 44 72 30 72C16 72 4 63 4 46C4 28 14 4 30 4Z"
        />
      </symbol>
      <symbol id="drawn-pot" viewBox="0 0 60 56">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M8 16H52L48 53H12Z" />
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 5H56V16H4Z" />
      </symbol>
      <symbol id="drawn-bowl" viewBox="0 0 100 58">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 5H96C96 40 76 54 50 54C24 54 4 40 4 5Z" />
      </symbol>
      <symbol id="drawn-pan" viewBox="0 0 120 46">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 8H76L70 36H10Z" />
        <path {...handle} vectorEffect="non-scaling-stroke" d="M76 11H117" />
      </symbol>
      <symbol id="drawn-plate" viewBox="0 0 100 30">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M4 8C12 22 30 26 50 26C70 26 88 22 96 8Z" />
      </symbol>
      <symbol id="drawn-pack" viewBox="0 0 44 52">
        <path {...filled} vectorEffect="non-scaling-stroke" d="M5 10L10 5L16 10L22 5L28 10L34 5L39 10V47H5Z" />
      </symbol>
    </defs>
  </DrawingDefs>
);
