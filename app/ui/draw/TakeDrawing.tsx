import { type KitLine, putOut } from "~/core/kit";
import { type ScoopCount, breadthOf, isZero, toNumber } from "~/core/quantity";
import { fraction } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";

/** How wide a whole cup's body is drawn, in the letters' own size: a printed card grows with its type. */
const cupEm = 2.7;
/** The whole drawing beside its body, and its height, in bodies; see `Defs`. */
const shapes = { cup: { width: 1.68, height: 0.72 }, spoon: { width: 2.18, height: 0.7 } } as const;
/** More of one than this are counted in figures. */
const mostDrawn = 4;

const em = (value: number) => `${value.toFixed(2)}em`;

function Scoop({ scoop, label }: { scoop: ScoopCount; label: string }) {
  const shape = scoop.unit === "cup" ? "cup" : "spoon";
  const body = cupEm * breadthOf(scoop);
  const { width, height } = shapes[shape];
  return (
    <svg data-part="drawn" style={{ width: em(body * width), height: em(body * height) }}>
      <use href={`#drawn-${shape}`} />
      {shape === "cup" ? (
        <text x="32%" y="66%" textAnchor="middle" style={{ fontSize: em(Math.max(0.55, body * 0.32)) }}>
          {label}
        </text>
      ) : null}
    </svg>
  );
}

const Thing = ({
  name,
  width,
  height,
  isPart = false,
}: {
  name: string;
  width: number;
  height: number;
  isPart?: boolean;
}) => (
  <svg data-part="drawn" data-partial={isPart ? "" : undefined} style={{ width: em(width), height: em(height) }}>
    <use href={`#drawn-${name}`} />
  </svg>
);

/** A number of like things: each drawn, or one with how often. */
function Several({ count, children }: { count: number; children: React.ReactNode }) {
  return count > mostDrawn ? (
    <>
      <b data-part="times">{count} ×</b>
      {children}
    </>
  ) : (
    <>
      {Array.from({ length: count }, (_, index) => (
        <span key={index}>{children}</span>
      ))}
    </>
  );
}

/**
 * What to take for one line, as a hand sees it: cups and spoons in their true sizes, eggs as eggs, what comes weighed as a pot with a
 * lid. The words beside it say the same.
 */
export function TakeDrawing({ line, isEgg }: { line: KitLine; isEgg: boolean }) {
  const locale = useLocale();
  const { main } = line;
  if (!main || isZero(main.amount.value)) return null;
  if (line.packs)
    return (
      <Several count={line.packs.whole}>
        <Thing name="pack" width={1.2} height={1.42} />
      </Several>
    );
  const way = putOut(main);
  if (way.by === "spoons")
    return (
      <>
        {way.counts.map((scoop) => (
          <Several count={scoop.count} key={`${scoop.unit} ${fraction(scoop.size, locale)}`}>
            <Scoop scoop={scoop} label={fraction(scoop.size, locale)} />
          </Several>
        ))}
      </>
    );
  if (way.by === "scale") return <Thing name="pot" width={1.5} height={1.4} />;
  const count = toNumber(way.amount.value);
  if (way.amount.unit !== "piece" || !isEgg) return null;
  const whole = Math.floor(count + 1e-9);
  return (
    <>
      <Several count={whole}>
        <Thing name="egg" width={1.25} height={1.58} />
      </Several>
      {count - whole > 1e-9 ? <Thing name="egg" width={1.25} height={1.58} isPart /> : null}
    </>
  );
}

/** The bowl, pan or plate that a group of lines goes into. */
export const BowlDrawing = ({ bowl }: { bowl: string }) =>
  bowl === "pan" ? (
    <Thing name="pan" width={3.4} height={1.3} />
  ) : bowl === "topping" ? (
    <Thing name="plate" width={2.8} height={0.84} />
  ) : (
    <Thing name="bowl" width={2.9} height={1.68} />
  );
