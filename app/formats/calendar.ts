import { parseDateTime, toZoned } from "@internationalized/date";
import ical, { ICalAlarmType } from "ical-generator";
import type { ClassInput, ClassPlan } from "~/core/plan";

interface Said {
  readonly name: string;
  readonly what: string;
}

/** How long before a bell a calendar says that it comes: time to walk there (starting value). */
const warningSeconds = 120;

/** The class as one event and its bells as short ones, for any calendar. `say` gives each bell its words. */
export function calendarOf(
  input: ClassInput,
  plan: ClassPlan,
  say: (kind: ClassPlan["timeline"]["bells"][number]["kind"]) => Said,
): string {
  const doors = toZoned(parseDateTime(input.startsAt), input.timeZone).toDate().getTime();
  const at = (minutes: number) => new Date(doors + minutes * 60_000);
  const { bells, end } = plan.timeline;
  const calendar = ical({ name: input.title, prodId: { company: "Apron Bell", product: "Timeline", language: "EN" } });
  calendar.createEvent({
    id: `${input.id}@apron-bell`,
    start: at(0),
    end: at(Math.max(end, input.brief.minutes)),
    stamp: at(0),
    summary: input.title,
    location: input.kitchen.name,
    description: `${input.brief.people} people`,
  });
  bells.forEach((bell, index) => {
    const { name, what } = say(bell.kind);
    const until = bells[index + 1]?.at ?? end;
    const event = calendar.createEvent({
      id: `${input.id}-${bell.id}@apron-bell`,
      start: at(bell.at),
      end: at(Math.max(until, bell.at)),
      stamp: at(0),
      summary: name,
      description: what,
    });
    event.createAlarm({ type: ICalAlarmType.display, triggerBefore: warningSeconds, description: name });
  });
  return calendar.toString();
}
