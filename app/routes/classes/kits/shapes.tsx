import { Box, Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { TakeHomeGrid, ShapeCard } from "~/ui/parts/labels";
import { useClass } from "../class-context";
import { drawing, drawnShapes, requestsEach } from "~/core/look";
import { minutes, number, people, thin, volume } from "~/ui/format/format";
import { ShapeDrawing } from "~/ui/draw/ShapeDrawing";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { shapeWords } from "~/ui/words/looks";

/** The shapes a class may draw: a card each, with the order of its strokes, what it takes and how long. */
export default function Shapes() {
  const { plan, names, action } = useClass();
  const { locale } = names;
  const drawn = plan.dishes.filter((dish) => dish.recipe.family === "drawn");
  const mmOf = (value: number) => `${number(value, locale, 0)}${thin}mm`;
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          Shapes
        </Heading>
        <Text color="fg.muted">
          {requestsEach === 1 ? "One shape" : `${requestsEach} shapes`} each from these cards, the other pieces plain.
          Nothing that belongs to somebody: no figures from books or films.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the cards</PrintButton>
        </SheetTools>
      </SheetHead>
      {drawn.length === 0 ? (
        <Text color="fg.muted">
          Nothing of this class is drawn: shapes come with a recipe of that family.{" "}
          <TextLink to={`${action}/recipe`}>The recipes</TextLink>
        </Text>
      ) : null}
      {drawn.map((dish) => {
        const { recipe } = dish;
        const takers = plan.stations
          .filter((station) => station.dishId === dish.id)
          .reduce((sum, station) => sum + station.size, 0);
        return (
          <Box as="section" key={dish.id}>
            <Heading as="h3" size="lg">
              {names.dish(dish.id)}{" "}
              <Span color="fg.muted" fontSize="sm">
                {people(takers)}, so at most {takers * requestsEach} to draw
              </Span>
            </Heading>
            <TakeHomeGrid>
              {drawnShapes(recipe).map((figures) => {
                const { id, strokes } = figures.shape;
                const lines = strokes.filter((stroke) => stroke.kind === "line").length;
                return (
                  <ShapeCard key={id} aria-label={`Shape: ${shapeWords[id]}`}>
                    <Heading as="h4" size="md">
                      {shapeWords[id]}
                    </Heading>
                    <ShapeDrawing shape={figures.shape} />
                    <Text>
                      <b>{volume(figures.ml, locale)}</b>, {minutes(figures.minutes, locale)} to draw.
                      {figures.isLarge ? (
                        <Span layerStyle="needsYou"> More than a piece of this batter: draw it smaller.</Span>
                      ) : null}
                    </Text>
                    <Text>
                      {lines === 1 ? "The line first" : `The ${lines} lines first, in this order`}
                      {strokes.length > lines
                        ? `: what is drawn first turns darkest. Wait ${minutes(drawing.darkens, locale)}, then fill.`
                        : ". It is left open."}
                    </Text>
                    <Text
                      layerStyle={figures.isThin ? "needsYou" : undefined}
                      color={!figures.isThin ? "fg.muted" : undefined}
                    >
                      Narrowest {mmOf(figures.neckMm)}
                      {figures.isThin
                        ? `: it tears when it is turned. Draw lines at least ${mmOf(drawing.leastNeckMm)} wide.`
                        : ", wide enough to turn; two turners under it."}
                    </Text>
                  </ShapeCard>
                );
              })}
            </TakeHomeGrid>
          </Box>
        );
      })}
    </>
  );
}
