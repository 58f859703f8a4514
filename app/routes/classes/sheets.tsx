import { Box, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { AllSheets } from "~/ui/parts/room";
import type { Route } from "./+types/sheets";
import { useClass } from "./class-context";
import { database } from "~/db/client.server";
import { gearElsewhere } from "~/db/queries/kitchens.server";
import { classOnce } from "~/services/classes.server";
import { tripOf } from "~/services/shop.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { ShoppingSheet } from "~/ui/shop/ShoppingSheet";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { later } from "~/ui/parts/later";

// What is further down than anybody sees at first.
const AmountsView = later(() => import("./amounts/AmountsView").then((one) => one.AmountsView));
const KitsView = later(() => import("./kits/KitsView").then((one) => one.KitsView));
const GearView = later(() => import("./gear/GearView").then((one) => one.GearView));
const LoadView = later(() => import("./gear/LoadView").then((one) => one.LoadView));
const TimelineView = later(() => import("./timeline/TimelineView").then((one) => one.TimelineView));

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const db = database();
  const [trip, events, others] = await Promise.all([
    tripOf(db, params.classId),
    ticksOf(db, params.classId),
    gearElsewhere(db, input.kitchen.id),
  ]);
  return { trip, events, others, me: accountOf(context).name };
}

/** Every sheet of the class one after the other, for one print: shopping, station cards, kits, gear, load list, run sheet. */
export default function Sheets({ loaderData, params }: Route.ComponentProps) {
  const { trip, events, others, me } = loaderData;
  const { input, action } = useClass();
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          All sheets
        </Heading>
        <Text color="fg.muted">
          As they come out of the printer. Labels and the lead’s folder are printed by themselves.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/kit-labels`}>Labels</TextLink>
          <TextLink to={`${action}/day-sheet/wall`}>Sheet for the wall</TextLink>
          <TextLink to={`${action}/take-home`}>To take home</TextLink>
          <TextLink to={`${action}/house`}>House rules</TextLink>
          <TextLink to={`${action}/techniques`}>How it is done</TextLink>
          <PrintButton>Print all sheets</PrintButton>
        </SheetTools>
      </SheetHead>
      <AllSheets>
        <Box as="section">
          <Heading as="h2" size="xl">
            Shopping
          </Heading>
          <ShoppingSheet trip={trip} events={events} me={me} timeZone={input.timeZone} />
        </Box>
        <Box as="section">
          <AmountsView />
        </Box>
        <Box as="section">
          <KitsView events={events} classId={params.classId} />
        </Box>
        <Box as="section">
          <GearView others={others} />
        </Box>
        <Box as="section">
          <LoadView classId={params.classId} events={events} me={me} />
        </Box>
        <Box as="section">
          <TimelineView />
        </Box>
      </AllSheets>
    </>
  );
}
