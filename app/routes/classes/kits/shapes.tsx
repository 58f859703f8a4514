import { useClass } from "../class-context";
import { drawing, drawnShapes, requestsEach } from "~/core/look";
import { minutes, number, people, thin, volume } from "~/ui/format/format";
import { ShapeDrawing } from "~/ui/draw/ShapeDrawing";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { shapeWords } from "~/ui/words/looks";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** The shapes a class may draw: a card each, with the order of its strokes, what it takes and how long. */
export default function Shapes() {
  const { plan, names, action } = useClass();
  const { locale } = names;
  const drawn = plan.dishes.filter((dish) => dish.recipe.family === "drawn");
  const mmOf = (value: number) => `${number(value, locale, 0)}${thin}mm`;
  return (
    <>
      <div className={look(parts.sheet.head, "no-print")}>
        <h2>Shapes</h2>
        <p className={look("quiet")}>
          {requestsEach === 1 ? "One shape" : `${requestsEach} shapes`} each from these cards, the other pieces plain.
          Nothing that belongs to somebody: no figures from books or films.
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the cards</PrintButton>
        </div>
      </div>
      {drawn.length === 0 ? (
        <p className={look("quiet")}>
          Nothing of this class is drawn: shapes come with a recipe of that family.{" "}
          <TextLink to={`${action}/recipe`}>The recipes</TextLink>
        </p>
      ) : null}
      {drawn.map((dish) => {
        const { recipe } = dish;
        const takers = plan.stations
          .filter((station) => station.dishId === dish.id)
          .reduce((sum, station) => sum + station.size, 0);
        return (
          <section key={dish.id}>
            <h3>
              {names.dish(dish.id)}{" "}
              <span className={look("quiet", "small")}>
                {people(takers)}, so at most {takers * requestsEach} to draw
              </span>
            </h3>
            <div className={look("take-home-labels")}>
              {drawnShapes(recipe).map((figures) => {
                const { id, strokes } = figures.shape;
                const lines = strokes.filter((stroke) => stroke.kind === "line").length;
                return (
                  <article className={look("take-home", "shape-card")} key={id} aria-label={`Shape: ${shapeWords[id]}`}>
                    <h4>{shapeWords[id]}</h4>
                    <ShapeDrawing shape={figures.shape} />
                    <p>
                      <b>{volume(figures.ml, locale)}</b>, {minutes(figures.minutes, locale)} to draw.
                      {figures.isLarge ? (
                        <span className={look("needs-you")}> More than a piece of this batter: draw it smaller.</span>
                      ) : null}
                    </p>
                    <p>
                      {lines === 1 ? "The line first" : `The ${lines} lines first, in this order`}
                      {strokes.length > lines
                        ? `: what is drawn first turns darkest. Wait ${minutes(drawing.darkens, locale)}, then fill.`
                        : ". It is left open."}
                    </p>
                    <p className={figures.isThin ? look("needs-you") : look("quiet")}>
                      Narrowest {mmOf(figures.neckMm)}
                      {figures.isThin
                        ? `: it tears when it is turned. Draw lines at least ${mmOf(drawing.leastNeckMm)} wide.`
                        : ", wide enough to turn; two turners under it."}
                    </p>
                  </article>
                );
              })}
            </div>
          </section>
        );
      })}
    </>
  );
}
