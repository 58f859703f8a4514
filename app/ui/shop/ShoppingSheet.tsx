import { RowButton } from "~/ui/parts/keys";
import { Box, Heading, Span, Text, VisuallyHidden } from "@chakra-ui/react";
import { ShopList, ShopMoney, ShopSection, ShopStanding } from "~/ui/parts/shopping";
import { StyledForm, ThumbTick } from "~/ui/parts/forms";
import type { TickEvent } from "~/core/pack";
import { type ShoppingLine, isToBuy, moneyOf, sections } from "~/core/shop";
import { grams, people as sayPeople, timeOfDay } from "~/ui/format/format";
import { SentMark } from "~/ui/outbox/Sent";
import { Refusals } from "~/ui/outbox/Refusals";
import { useTicks } from "~/ui/pack/useTicks";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import {
  money as sayMoney,
  nameOfLine,
  sayBasket,
  sayBought,
  sayOver,
  sectionWords,
  stockWords,
} from "~/ui/words/kits";
import { Hidden, PlainInput, Tick } from "~/ui/parts/plain";

interface Props {
  readonly trip: {
    /** The class whose cupboard and ticks the trip has. */
    readonly leadId: string;
    readonly classes: readonly { readonly id: string; readonly title: string; readonly people: number }[];
    readonly currency: string | undefined;
    readonly lines: readonly ShoppingLine[];
    readonly stock: Readonly<Record<string, number>>;
  };
  readonly events: readonly TickEvent[];
  readonly me: string;
  readonly timeZone: string;
}

const needed = (line: ShoppingLine, locale: string): string =>
  line.pieces !== undefined
    ? `${line.pieces}`
    : line.grams === undefined
      ? "not known"
      : line.grams < 1e-6
        ? "to taste"
        : sayBought(Math.ceil(line.grams - 1e-6), line, locale);

/** What is on hand as it was counted; to the tenth, as weights come out of counts. */
const onHand = (grams: number, { stockIn }: ShoppingLine): number => Math.round((grams / stockIn.grams) * 10) / 10;

/** The list as it is taken to the shop: by section, to be ticked with a thumb, kept through a dead spot. */
export function ShoppingSheet({ trip, events, me, timeZone }: Props) {
  const { leadId: classId, classes, lines, stock, currency } = trip;
  const people = classes.reduce((sum, one) => sum + one.people, 0);
  const money = moneyOf(lines, people);
  const locale = useLocale();
  const { ticks, tick, waiting, sent, refused, seen, isReady } = useTicks(classId, events, me);
  const bought = lines.filter(isToBuy);
  const got = bought.filter((line) => ticks.shopping.has(line.key)).length;
  const unpriced = lines.filter((line) => money.unpriced.includes(line.key));
  return (
    <>
      <ShopStanding>
        <b>
          {got} of {bought.length} in the basket
        </b>
        <SentMark waiting={waiting} sent={sent} />
        <Refusals refused={refused} onSeen={seen} />
        <ShopMoney>
          {unpriced.length > 0 ? "At least " : ""}
          <b>{sayMoney(money.total, locale, currency)}</b>
          {money.perPerson === undefined ? "" : `, ${sayMoney(money.perPerson, locale, currency)} a person`}
          {money.over > 0 ? `, of which ${sayMoney(money.over, locale, currency)} stays over` : ""}
        </ShopMoney>
      </ShopStanding>
      {unpriced.length > 0 ? (
        <Text color="fg.muted" fontSize="sm" _print={{ display: "none" }}>
          No price for {unpriced.map(nameOfLine).join(", ")}. Prices and packs of food are typed on its page: choose its
          name below.
        </Text>
      ) : null}
      {lines.length === 0 ? <Text>Nothing to buy yet: the brief names no recipe or no people.</Text> : null}
      {sections.map((section) => {
        const own = lines.filter((line) => line.section === section);
        if (own.length === 0) return null;
        return (
          <ShopSection key={section}>
            <Heading as="h3" size="lg">
              {sectionWords[section]}
            </Heading>
            <ShopList>
              {own.map((line) => {
                const isGot = ticks.shopping.get(line.key);
                const isWanted = isToBuy(line);
                const isFood = line.section !== "household";
                const name = nameOfLine(line);
                return (
                  <li data-part={isGot ? "got" : undefined} key={line.key}>
                    <ThumbTick>
                      <Tick
                        checked={isGot !== undefined}
                        disabled={!isWanted || !isReady}
                        onChange={(event) => tick({ list: "shopping", key: line.key, isOn: event.target.checked })}
                      />
                      <VisuallyHidden>{name} is in the basket</VisuallyHidden>
                    </ThumbTick>
                    <Box data-part="shop-what">
                      {isFood ? (
                        <TextLink to={`/classes/${classId}/labels/${line.key}`}>{name}</TextLink>
                      ) : (
                        <span>{name}</span>
                      )}
                      <Span fontSize="sm" color="fg.muted">
                        {isFood ? `${needed(line, locale)} needed` : line.tool ? "used up by the steps" : ""}
                        {line.raw && line.pieces === undefined && line.raw.grams > (line.grams ?? 0) + 0.5
                          ? `, ${grams(Math.ceil(line.raw.grams), locale)} as bought`
                          : ""}
                        {classes.length > 1 && line.perClass.length > 1
                          ? ` (${line.perClass.map((one) => `${classes.find((each) => each.id === one.classId)?.title ?? ""} ${one.grams === undefined ? "?" : sayBought(Math.round(one.grams), line, locale)}`).join(", ")})`
                          : ""}
                        {isGot ? ` · ${isGot.by}, ${timeOfDay(isGot.at, locale, timeZone)}` : ""}
                      </Span>
                    </Box>
                    <Box data-part="shop-take">
                      <Text
                        as="b"
                        layerStyle={
                          line.buyGrams === undefined && line.buyPieces === undefined && !line.isToTaste
                            ? "needsYou"
                            : undefined
                        }
                      >
                        {sayBasket(line, locale)}
                      </Text>
                      <Span fontSize="sm" color="fg.muted">
                        {sayOver(line, locale)}
                      </Span>
                    </Box>
                    <Span textAlign="right" whiteSpace="nowrap" data-part="shop-price">
                      {line.price === undefined || !isWanted ? "" : sayMoney(line.price, locale, currency)}
                    </Span>
                    {isFood ? (
                      <StyledForm _print={{ display: "none" }} data-part="shop-stock" method="post">
                        <Hidden name="intent" value="stock" />
                        <Hidden name="ingredientId" value={line.key} />
                        <Hidden name="seen" value={stock[line.key] ?? 0} />
                        <Hidden name="unit" value={line.stockIn.unit} />
                        <label>
                          <Span fontSize="sm" color="fg.muted">
                            on hand, {stockWords[line.stockIn.unit].short}
                          </Span>
                          <PlainInput
                            name="amount"
                            inputMode="decimal"
                            key={stock[line.key] ?? 0}
                            defaultValue={stock[line.key] === undefined ? "" : onHand(stock[line.key] ?? 0, line)}
                            aria-label={`${stockWords[line.stockIn.unit].long} of ${name} on hand`}
                          />
                        </label>
                        <RowButton
                          type="submit"

                          aria-label={`Save what is on hand of ${name}`}
                        >
                          keep
                        </RowButton>
                      </StyledForm>
                    ) : (
                      <span data-part="shop-stock" />
                    )}
                  </li>
                );
              })}
            </ShopList>
          </ShopSection>
        );
      })}
      <Text color="fg.muted" fontSize="sm">
        {people > 0 ? `For ${sayPeople(people)}. ` : ""}The cheapest packs where every size has a price; otherwise the
        least left over. Packs and prices are as they were typed last, here or for an earlier class: look again in the
        shop.
      </Text>
    </>
  );
}
